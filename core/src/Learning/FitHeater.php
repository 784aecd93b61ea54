<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Sheet\VacuumSheet;
use Dithermic\Core\Heat\Sheet\VacuumSheetInput;
use Dithermic\Core\Heat\Sheet\VacuumSheetResult;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Numerics\GaussNewton;

/**
 * A former's heater as a temperature, from how long sheets took until they showed a sign: the heater_c for which the
 * times of heat.vacuum_sheet fit the times seen, by ln. What the heater is in truth matters little: temperature and
 * exchange trade against each other in σ·exchange·(Th⁴ − Ts⁴), and one of them is enough to foretell another thickness.
 */
#[Calc('fit.heater', 'a former\'s heater from the times of a few sheets', size: 'sheets', long: true)]
final readonly class FitHeater
{
    /** sd of ln of a time read by eye */
    private const TIME_SD = 0.06;

    private const BELIEF_C = [380.0, 150.0];

    /** one unknown of this size, so that the fit's steps fit it, K */
    private const SCALE_K = 100.0;

    private const RANGE_C = [120.0, 1200.0];

    private const NORMAL_95 = 1.645;

    private const SAY_SOMETHING = 3;

    private const ENOUGH = 5;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(FitHeaterInput $in): FitHeaterResult
    {
        $model = new VacuumSheet($this->polymers);
        $times = static function (float $heater) use ($in, $model): array {
            $times = [];
            foreach ($in->sheets as $i => $sheet) {
                $found = Within::of(
                    "sheets.{$i}.input",
                    static fn (): VacuumSheetResult => $model(new VacuumSheetInput(
                        $sheet->input,
                        $heater,
                        $in->exchange,
                    )),
                );
                $times[] = ($sheet->cue === Cue::TooHot ? $found->limit_s : $found->ready_s) ?? VacuumSheet::LIMIT_S;
            }

            return $times;
        };
        $heater = static fn (array $x): float => max(self::RANGE_C[0], min(self::RANGE_C[1], self::SCALE_K * $x[0]));
        $residuals = static fn (array $x): array => array_map(
            static fn (float $time, TimedSheet $sheet): float => log($time / $sheet->seconds) / self::TIME_SD,
            $times($heater($x)),
            $in->sheets,
        );
        $belief = [self::BELIEF_C[0] / self::SCALE_K, self::BELIEF_C[1] / self::SCALE_K];
        $fit = GaussNewton::fit($residuals, [$belief], [$belief[0]]);
        $found = $heater($fit['x']);
        $misses = array_map(
            static fn (float $time, TimedSheet $sheet): float => $time - $sheet->seconds,
            $times($found),
            $in->sheets,
        );
        $rms = sqrt(array_sum(array_map(static fn (float $m): float => $m * $m, $misses)) / count($misses));
        // Times that scatter more than an eye does say less than they seem to.
        $scatter = max(
            1.0,
            sqrt(array_sum(array_map(static fn (float $r): float => $r * $r, $fit['residuals'])) / count($misses)),
        );
        $sd = self::SCALE_K * $fit['sd'][0] * $scatter;
        if ($found <= self::RANGE_C[0] || $found >= self::RANGE_C[1]) {
            throw new InputError(
                'sheets',
                sprintf(
                    'fit no heater between %.0f and %.0f °C: are the times in seconds, from the heater coming over the sheet?',
                    ...self::RANGE_C,
                ),
            );
        }
        $count = count($in->sheets);
        $missing = $count >= self::ENOUGH ? [] : [sprintf('time %d more, of another thickness', self::ENOUGH - $count)];
        $result = new FitHeaterResult(
            $found,
            $in->exchange,
            $found - self::NORMAL_95 * $sd,
            $found + self::NORMAL_95 * $sd,
            $rms,
            $count >= self::ENOUGH && $scatter < 2,
            $missing,
        );

        return $result->explain(sprintf(
            'Learnt from %d %s: it heats like a heater of %.0f °C; the times fit within %.1f s.',
            $count,
            $count === 1 ? 'sheet' : 'sheets',
            $found,
            $rms,
        ))
            ->warn(
                $count < self::SAY_SOMETHING
                    ? 'Fewer than three sheets say little: go by the signs, not by the clock.'
                    : null,
            )
            ->warn(
                $scatter >= 2
                    ? 'The times do not fit one heater: was it as hot and as far away for all of them?'
                    : null,
            );
    }
}
