<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Schedule\RunLength;

/**
 * What moulds in circulation make of a shift: how often a bar comes, what lets it come no sooner, how many moulds are
 * enough.
 */
final readonly class Circulation
{
    private function __construct(
        public float $cycle_s,
        public string $held_by,
        public int $moulds_needed,
        public int $bars,
    ) {
    }

    /** @param  array<string, float|int|string|null>  $targets  of the plan, with its moulds */
    public static function of(Procedure $procedure, array $targets, float $shiftMin): self
    {
        $length = RunLength::of($procedure, $targets);
        $away = ($length->stages[RunLength::CARRIER] ?? 0.0) * (float) ($targets['moulds'] ?? 1);
        $others = max([0.01, ...array_values(array_diff_key($length->stages, [RunLength::CARRIER => true]))]);
        $held = (string) $length->heldBy();

        return new self(
            round(60 * $length->eachMin, 1),
            match ($held) {
                RunLength::HANDS => 'work of the hands',
                RunLength::CARRIER => 'number of moulds',
                default => $procedure->place($held)->title ?? $held,
            },
            max(1, (int) ceil($away / $others - 1e-9)),
            $length->within($shiftMin),
        );
    }
}
