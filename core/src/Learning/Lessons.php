<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Diagnosis\Lever;
use Dithermic\Core\Numerics\Median;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

/**
 * What a run teaches by how it was really done: where its good pieces were heated, cooled or charged otherwise than
 * planned, all of them to the same side, the next set-up should be as they were. The median of done over planned of the
 * good pieces counts, so that one long coffee does not become a rule; between half and twice, as beyond that somebody
 * was called away.
 */
final class Lessons
{
    /** what differs by less than this is the clock of a hand, as a share */
    private const WORTH = ['time' => 0.06, 'mass' => 0.015];

    private const BETWEEN = [0.5, 2.0];

    /** of a time, what a hand on its way to the button takes, min */
    private const HAND_MIN = 0.1;

    /** planned minutes under which people count seconds */
    private const IN_SECONDS = 3.0;

    /**
     * @param  array<string, mixed>  $plan  the run's targets
     * @param  array<string, mixed>  $settings  that it was planned with
     * @return Lesson|null the one that says most; null where it went as planned
     */
    public static function of(
        Definition $process,
        Procedure $procedure,
        RunState $state,
        array $plan,
        array $settings,
    ): ?Lesson {
        $best = null;
        foreach ($process->levers() as $lever) {
            $lesson = self::ofLever($procedure, $state, $lever, $plan, $settings);
            if ($lesson !== null && ($best === null || abs(log($lesson->ratio)) > abs(log($best->ratio)))) {
                $best = $lesson;
            }
        }

        return $best;
    }

    /**
     * @param  array<string, mixed>  $plan
     * @param  array<string, mixed>  $settings
     */
    private static function ofLever(
        Procedure $procedure,
        RunState $state,
        Lever $lever,
        array $plan,
        array $settings,
    ): ?Lesson {
        $planned = is_numeric($plan[$lever->planned] ?? null) ? (float) $plan[$lever->planned] : 0.0;
        if ($planned <= 0.0) {
            return null;
        }
        $done = Done::of($procedure, $state, $lever->planned);
        $ratios = [];
        foreach (self::good($procedure, $state) as $piece) {
            if (isset($done->byPiece[$piece ?? 0])) {
                $ratios[] = $done->byPiece[$piece ?? 0] / $planned;
            }
        }
        $worth = $done->kind === 'time'
            ? max(self::WORTH[$done->kind], self::HAND_MIN / $planned)
            : self::WORTH[$done->kind];
        $ratio = self::oneSided($ratios, $worth);
        $was = is_numeric($settings[$lever->setting] ?? null) ? (float) $settings[$lever->setting] : null;
        $becomes = $ratio === null ? null : $lever->setTo($planned, $planned * $ratio, $was);
        if ($ratio === null || $becomes === null) {
            return null;
        }
        $count = count($ratios);
        $counted = $count === 1 ? 'and it came good' : "and all {$count} good ones were";
        $more = $ratio > 1;

        [$unit, $times] = match (true) {
            $done->kind === 'mass' => ['g', 1.0],
            $planned < self::IN_SECONDS => ['s', 60.0],
            default => ['min', 1.0],
        };
        $way = $done->kind === 'time' ? ($more ? 'longer' : 'shorter') : ($more ? 'more' : 'less');

        return new Lesson($lever->setting, $was, $becomes, round($ratio, 4), $count, sprintf(
            '%s: %s %s %s than planned, %s %s instead of %s, %s.',
            $done->what,
            self::plain($times * abs($ratio - 1) * $planned),
            $unit,
            $way,
            self::plain($times * $ratio * $planned),
            $unit,
            self::plain($times * $planned),
            $counted,
        ));
    }

    /** @return list<int|null> pieces that were judged good; null for a run that is one pass */
    private static function good(Procedure $procedure, RunState $state): array
    {
        $good = [];
        foreach ($state->entries as $entry) {
            $disposes = ($procedure->entry($entry['entry'])->effect ?? null) === 'dispose';
            $out = $entry['piece'] !== null && ($state->pieces[$entry['piece']]->outcome ?? '') === Thread::DROPPED;
            if ($disposes && ! $out) {
                $good[$entry['piece'] ?? 0] = ($entry['values']['verdict'] ?? null) === 'good';
            }
        }

        return array_map(static fn (int $p): ?int => $p === 0 ? null : $p, array_keys(array_filter($good)));
    }

    /** @param  list<float>  $ratios */
    private static function oneSided(array $ratios, float $worth): ?float
    {
        sort($ratios);
        $count = count($ratios);
        if ($count === 0) {
            return null;
        }
        $median = Median::of($ratios);
        $same = $median > 1 ? $ratios[0] >= 1 : $ratios[$count - 1] <= 1;
        [$least, $most] = self::BETWEEN;

        return abs($median - 1) >= $worth && $same && $median >= $least && $median <= $most ? $median : null;
    }

    private static function plain(float $number): string
    {
        return (string) round($number, $number >= 100 ? 0 : 1);
    }
}
