<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Barrel\Space;
use Dithermic\Core\Heat\Dwell\BudgetResult;
use Dithermic\Core\Heat\Dwell\Verdict;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Process\Inside;
use Dithermic\Core\Run\RunState;

/**
 * A plunger's barrel through its run: loads go in, shots and purgings come out, by the law of barrel.contents. What
 * hands log is rounded and late, so what does not fit is cut to what does, and said, where the calculation refuses it.
 *
 * The barrel is judged by the mean age of the next shot (dwell.budget), at the melt temperature of the plan.
 */
final readonly class Barrel
{
    /** of what is there, g: less is none */
    private const NOTHING_G = 0.5;

    public function __construct(private Registry $calculations)
    {
    }

    /** @param  array<string, float|int|string|null>  $targets  of the run's plan: barrel_g, shot_mass_g, melt_c */
    public function of(RunState $state, array $targets, Polymer $polymer, float $now): ?Inside
    {
        $capacity = (float) ($targets['barrel_g'] ?? 0);
        $shot = (float) ($targets['shot_mass_g'] ?? 0);
        if ($capacity <= 0 || $shot <= 0) {
            return null;
        }
        [$space, $loadedAt, , $over] = self::replay($state, $capacity, $shot);
        $held = $space->held();
        if ($held < self::NOTHING_G) {
            return new Inside($now, 0.0, $capacity, $shot, 0, null, null, null, null, [], 'The barrel is empty.', null);
        }
        $age = static fn (array $of): float => Space::meanAge($of, $loadedAt, $now);
        $next = clone $space;
        $budget = $this->budget($polymer, (float) ($targets['melt_c'] ?? 0), $age($next->take(min($shot, $held))));
        $pieces = (int) floor($held / $shot + 1e-6);

        return new Inside(
            $now,
            round($held, 1),
            round($capacity, 1),
            $shot,
            $pieces,
            $space->oldest($loadedAt, $now),
            $budget?->used,
            $budget?->minutes_left,
            $budget?->verdict,
            array_map(static fn (array $of): array => [
                'mass_g' => round(array_sum($of), 2),
                'age_s' => round($age($of), 1),
            ], $space->layers()),
            sprintf('%.0f g of %.0f g: %s.', $held, $capacity, match ($pieces) {
                0 => 'less than a shot',
                1 => 'one more shot',
                default => "{$pieces} more shots",
            }).($over >= 1 ? sprintf(' What was logged as loaded is %.0f g more than goes in.', $over) : ''),
            $this->advice($state, $budget, $held, $shot, $pieces),
        );
    }

    /**
     * What each shot is made of, of a run that went over to another lot: the barrel still holds of the one before.
     *
     * @param  array<string, float|int|string|null>  $targets  of the run's plan: barrel_g, shot_mass_g
     * @return array<int, array<int, float>>|null shares by piece and by lot, 0 is the lot it began with; null where the barrel
     *                                            is not known
     */
    public static function madeOf(RunState $state, array $targets): ?array
    {
        $capacity = (float) ($targets['barrel_g'] ?? 0);
        $shot = (float) ($targets['shot_mass_g'] ?? 0);
        if ($capacity <= 0 || $shot <= 0) {
            return null;
        }
        [, $loadedAt, $shots] = self::replay($state, $capacity, $shot);
        $lots = array_map(static fn (float $at): int => $state->lotAt($at) ?? 0, $loadedAt);

        return array_map(static function (array $loads) use ($lots): array {
            $of = [];
            foreach (array_filter($loads, static fn (float $grams): bool => $grams > 1e-9) as $load => $grams) {
                $of[$lots[$load]] = ($of[$lots[$load]] ?? 0.0) + $grams;
            }

            return array_map(static fn (float $grams): float => $grams / array_sum($of), $of);
        }, array_filter($shots, static fn (array $loads): bool => array_sum($loads) > 0));
    }

    /** @return array{Space, list<float>, array<int, array<int, float>>, float} what is in it, when each load came, the loads in each shot by piece, and what was logged as loaded beyond what goes in, g */
    private static function replay(RunState $state, float $capacity, float $shot): array
    {
        $space = new Space($capacity, Space::MIXING * $capacity);
        $loadedAt = [];
        $shots = [];
        $over = 0.0;
        foreach (self::log($state, $shot) as [$at, $change, $piece]) {
            if ($change < 0) {
                $out = $space->take(min(-$change, $space->held()));
                if ($piece !== null) {
                    $shots[$piece] = $out;
                }

                continue;
            }
            $fits = min($change, max(0.0, $space->free()));
            $over += $change - $fits;
            if ($fits > 0) {
                $loadedAt[] = $at;
                $space->load(count($loadedAt) - 1, $fits);
            }
        }

        return [$space, $loadedAt, $shots, $over];
    }

    private function advice(RunState $state, ?BudgetResult $budget, float $held, float $shot, int $pieces): ?string
    {
        return match (true) {
            $budget?->verdict === Verdict::Over => 'Purge it: it has stood hot for longer than it bears. Air moving, nobody in front.',
            $budget?->verdict === Verdict::Near => sprintf('Shoot or purge it within %.0f min.', $budget->minutes_left),
            $state->closing && $pieces > 0 => sprintf('%s, or empty it.', $pieces === 1 ? 'One more shot' : 'Shoot on'),
            $state->closing => sprintf('Empty it: %.0f g are left.', $held),
            $pieces === 0 => sprintf('Load before the next shot: %.0f g are missing.', $shot - $held),
            default => null,
        };
    }

    private function budget(Polymer $polymer, float $meltC, float $ageS): ?BudgetResult
    {
        try {
            $result = $this->calculations->run('dwell.budget', [
                'polymer' => $polymer->code,
                'history' => [['minutes' => max(0.0, $ageS) / 60, 'melt_c' => $meltC]],
            ]);
        } catch (InputError) {
            // Nobody knows how long it bears its heat.
            return null;
        }
        assert($result instanceof BudgetResult);

        return $result;
    }

    /**
     * What went in (above 0) and came out (under 0), g, in the order in which it happened.
     *
     * @return list<array{float, float, int|null}> moment, change, and the piece that was shot
     */
    private static function log(RunState $state, float $shot): array
    {
        $log = [];
        foreach ($state->entries as $logged) {
            $mass = $logged['values']['mass_g'] ?? null;
            if (is_numeric($mass) && in_array($logged['entry'], ['load', 'purge'], true)) {
                $log[] = [$logged['at'], ($logged['entry'] === 'load' ? 1 : -1) * (float) $mass, null];
            }
        }
        foreach ($state->pieces as $piece) {
            if (isset($piece->done['shoot'])) {
                $log[] = [$piece->done['shoot']['at'], -$shot, $piece->piece];
            }
        }
        usort($log, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $log;
    }
}
