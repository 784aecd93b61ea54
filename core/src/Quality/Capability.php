<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Calc;

/**
 * Cp = (usl − lsl)/6s, Cpk = nearest limit/3s, s with n − 1; expected parts outside from both tails of the normal
 * distribution (ISO 22514-2). Valid for a process in control; look at the control chart first. In words by the
 * customary steps of Cpk (Montgomery, Introduction to Statistical Quality Control, ch. 8): 4/3 and more is well within,
 * 1 just.
 */
#[Calc('quality.capability', 'does the process fit its limits')]
final class Capability
{
    private const WELL = 4 / 3;

    private const JUST = 1.0;

    public function __invoke(CapabilityInput $in): CapabilityResult
    {
        $n = count($in->data);
        $mean = array_sum($in->data) / $n;
        $stdev = sqrt(array_sum(array_map(static fn (float $x): float => ($x - $mean) ** 2, $in->data)) / ($n - 1));
        $sides = array_filter(
            [
                $in->usl === null ? null : ($in->usl - $mean) / $stdev,
                $in->lsl === null ? null : ($mean - $in->lsl) / $stdev,
            ],
            static fn (?float $z): bool => $z !== null,
        );
        $cpk = min($sides ?: [0.0]) / 3;
        $ppm = 1e6 * array_sum(array_map(static fn (float $z): float => Normal::tail($z), $sides));

        return (new CapabilityResult(
            $mean,
            $stdev,
            $in->lsl === null || $in->usl === null ? null : ($in->usl - $in->lsl) / (6 * $stdev),
            $cpk,
            $ppm,
        ))
            ->explain(sprintf(
                'Cpk %.2f, %s its limits: about %.0f in a million outside.',
                $cpk,
                self::within($cpk),
                $ppm,
            ))->warn($n < 25 ? 'Fewer than 25 values: the answer is rough.' : null);
    }

    private static function within(float $cpk): string
    {
        return match (true) {
            $cpk >= self::WELL => 'well within',
            $cpk >= self::JUST => 'just within',
            default => 'too wide for',
        };
    }
}
