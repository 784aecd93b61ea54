<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Learning\FactLearnt;
use Dithermic\Core\Learning\FitSoakResult;
use Dithermic\Core\Learning\MachineLearnt;
use Dithermic\Core\Learning\ReadRun;
use Dithermic\Core\Learning\SoakCue;

/**
 * What a barrel really takes to soak over the physics, by fit.soak from how the first melt came after it was waited
 * for: lumps say that it takes longer; smooth after lumps is the time itself; smooth at once says only that it takes no
 * longer.
 */
final readonly class SoakLearnt
{
    /** full barrels that are looked at, the newest; more say no more */
    private const MOST = 20;

    /** what differs by less than this is no news, as a share of the soak */
    private const WORTH = 0.05;

    /** a factor that is known no better than this, highest over lowest, is no plan's */
    private const ENOUGH = 1.5;

    private const CUES = ['smooth' => SoakCue::Smooth, 'lumps' => SoakCue::Lumps];

    public function __construct(private Registry $calculations)
    {
    }

    /**
     * @param  list<ReadRun>  $runs  newest first
     * @param  Record  $facts  of the injector as it is known
     *
     * @throws InputError where nothing was seen that could be used
     */
    public function of(array $runs, Record $facts): MachineLearnt
    {
        $shots = [];
        $used = [];
        foreach ($runs as $run) {
            foreach (array_slice(self::seen($run), 0, self::MOST - count($shots)) as $shot) {
                $shots[] = $shot;
                $used[$run->number] = $run->number;
            }
        }
        if ($shots === []) {
            throw new InputError(
                'runs',
                'of it say of no full barrel how its first melt came: a screw makes its melt by itself; of a plunger log the test shot',
            );
        }
        $fit = $this->calculations->run('fit.soak', ['shots' => $shots]);
        assert($fit instanceof FitSoakResult);
        $was = $facts->mayNumber('soak_factor');
        $factor = round($fit->factor, 2);
        $lumps = count(array_filter($shots, static fn (array $s): bool => $s['cue'] === SoakCue::Lumps->value));

        return new MachineLearnt(
            [new FactLearnt('soak_factor', $was, $factor, round($fit->low, 2), round($fit->high, 2))],
            array_values($used),
            sprintf(
                'What was seen of %s says that it soaks in %.0f min what the physics says takes %.0f%s.',
                count($shots) === 1 ? 'one full barrel' : count($shots).' full barrels',
                $factor * $fit->predicted_min[0],
                $fit->predicted_min[0],
                $was === null ? '' : sprintf(', and what is known of it %.0f', $was * $fit->predicted_min[0]),
            ),
            $fit->high / $fit->low <= self::ENOUGH,
            abs($factor / ($was ?? 1.0) - 1) >= self::WORTH,
            $lumps === 0 ? ['let a test shot out some minutes sooner: all that was seen had long been ready'] : [],
        );
    }

    /**
     * What came out of each full barrel of a run, and after how many minutes.
     *
     * @return list<array{input: array<array-key, mixed>, minutes: float, cue: string}>
     */
    private static function seen(ReadRun $run): array
    {
        $input = (array) ($run->picture['soak_input'] ?? []);
        unset($input['soak_factor']);
        $heat = $run->heats[array_key_first($run->heats) ?? 0] ?? null;
        if ($input === [] || $heat === null) {
            return [];
        }
        $shots = [];
        $lumps = false;
        foreach ($run->logged as $look) {
            if ($look['entry'] !== 'purge' || $look['at'] <= $heat['started_at']) {
                continue;
            }
            $cue = self::CUES[is_string($look['values']['what'] ?? null) ? $look['values']['what'] : ''] ?? null;
            if ($cue !== null) {
                $shots[] = [
                    'input' => $input,
                    'minutes' => ($look['at'] - $heat['started_at']) / 60,
                    'cue' => ($cue === SoakCue::Smooth && ! $lumps ? SoakCue::LongReady : $cue)->value,
                ];
                $lumps = $cue === SoakCue::Lumps;
            }
            if ($cue === SoakCue::Smooth) {
                break;
            }
        }

        return $shots;
    }
}
