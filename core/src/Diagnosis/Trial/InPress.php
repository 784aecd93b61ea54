<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis\Trial;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Safety\Process;

/**
 * A hot and a cold press. How hot a middle gets is heat.press_cycle under the platens that are really there. What has
 * not closed stays as voids, with the air that no stroke let out, the water that boiled, and the shrinkage that no load
 * followed. A sheet that is freed with one face warmer bends by α·ΔT·L²/(8·t) (Timoshenko's strip of two layers, one
 * material); one that is freed warm goes on cooling from where it is, by the first term of its series.
 */
final class InPress implements Scene
{
    private const POLYMERS = ['HDPE', 'PP'];

    /** the middle this much colder than it should be shows flakes, K */
    private const COLD_K = 4.0;

    /** more voids are bubbles at the cut edge, % */
    private const VOIDS_PCT = 2.5;

    /** so much voids for each K that the middle missed, and for air that no stroke let out, % */
    private const VOIDS_PER_K = 0.16;

    private const AIR_PCT = [1.5, 4.0];

    /** a sheet lifts so much at most, mm in a metre */
    private const LIFT_MM_M = 8.0;

    /** of thickness, share and mm, whichever is more */
    private const UNEVEN = [0.05, 0.3];

    private const EXPANDS_1_K = 1.5e-4;

    private const COLD_PLATEN_C = 25.0;

    /** @var array<string, PressCycleResult> */
    private array $cycles = [];

    public function __construct(private readonly Registry $calculations, private readonly PolymerLibrary $polymers)
    {
    }

    public function process(): Process
    {
        return Process::Compression;
    }

    public function mode(): ?string
    {
        return null;
    }

    public function troubles(): array
    {
        return [
            'cmp_flakes' => ['heat_too_short', 'plates_too_cool', 'cold_spots', 'flake_too_big'],
            'cmp_internal_bubbles' => ['no_degas', 'pressure_lost', 'core_underheated'],
            'cmp_warp' => ['uneven_cooling', 'cool_too_short', 'unsupported'],
            'cmp_wedge' => ['plates_not_parallel', 'charge_uneven'],
        ];
    }

    public function usual(Dice $dice): array
    {
        return [
            'polymer' => (float) $dice->whole(0, count(self::POLYMERS) - 1),
            'thickness_mm' => (float) $dice->whole(6, 14),
            'length_mm' => $dice->between(400, 700),
            // Plans end a little after the middle is there.
            'heat' => $dice->between(1.02, 1.2),
            'gauge_k' => $dice->normal(0, 2),
            'spread_k' => $dice->between(1, 6),
            'flake' => $dice->between(0.3, 0.7),
            'strokes' => (float) $dice->whole(2, 4),
            'loss' => $dice->between(0.01, 0.1),
            'faces_k' => $dice->normal(0, 1.2),
            'cool' => $dice->between(1.0, 1.3),
            'flat' => 1.0,
            'wedge_mm' => $dice->between(0.02, 0.15),
            'heap' => $dice->between(0.0, 0.015),
            'tests' => $dice->happens(0.85) ? 1.0 : 0.0,
        ];
    }

    public function spoil(array $state, Trouble $trouble, Dice $dice): array
    {
        return match ($trouble->cause) {
            'heat_too_short' => ['heat' => $dice->between(0.55, 0.92)] + $state,
            'plates_too_cool' => ['gauge_k' => -$dice->between(8, 30)] + $state,
            'cold_spots' => ['spread_k' => $dice->between(12, 35)] + $state,
            'flake_too_big' => ['flake' => $dice->between(1.0, 2.0)] + $state,
            'no_degas' => ['strokes' => 0.0] + $state,
            'pressure_lost' => ['loss' => $dice->between(0.2, 0.8)] + $state,
            'core_underheated' => $dice->happens(0.6)
                ? ['heat' => $dice->between(0.5, 0.92)] + $state
                : ['gauge_k' => -$dice->between(10, 30)] + $state,
            'uneven_cooling' => ['faces_k' => ($dice->happens(0.5) ? 1 : -1) * $dice->between(4, 25)] + $state,
            'cool_too_short' => ['cool' => $dice->between(0.4, 0.92)] + $state,
            // Leaned against a wall while it is as warm as sheets come out.
            'unsupported' => ['flat' => 0.0] + $state,
            'plates_not_parallel' => ['wedge_mm' => $dice->between(0.2, 2.0)] + $state,
            'charge_uneven' => ['heap' => $dice->between(0.03, 0.15)] + $state,
            default => $state,
        };
    }

    public function flaws(array $state): array
    {
        [$share, $mm] = self::UNEVEN;
        $allowed = max($mm, $share * $state['thickness_mm']);

        return array_keys(array_filter([
            'cmp_flakes' => $this->missedK($state) > self::COLD_K,
            'cmp_internal_bubbles' => $this->voidsPct($state) > self::VOIDS_PCT,
            'cmp_warp' => $this->liftMm($state) > self::LIFT_MM_M,
            'cmp_wedge' => $this->unevenMm($state) > $allowed,
        ]));
    }

    public function knows(): array
    {
        return ['heat_time_ratio', 'cool_time_ratio', 'charge_ratio', 'moisture_state', 'source_state', 'degas_strokes',
            'defect_repeat', 'defect_place'];
    }

    public function reads(array $state, string $defect, Dice $dice): array
    {
        $code = self::POLYMERS[(int) $state['polymer']];
        $window = $this->polymers->get($code)->process('compression');
        $least = $window->number('platen_c.min');
        $core = (float) $this->cycle($state)->core_at_given_c;

        return [
            // The middle where it is coldest, by a needle in the edge.
            'melt_temp_vs_window' => ($core - $least + 15) / ($window->number('platen_c.max') - $least)
                + $dice->normal(0, 0.05),
            'dial_minus_probe_k' => -$state['gauge_k'] + $dice->normal(0, 1.5),
            'temp_spread_k' => $state['spread_k'] + $dice->normal(0, 1),
            'heat_time_ratio' => $state['heat'] / 1.05,
            'cool_time_ratio' => $state['cool'],
            'charge_ratio' => $dice->normal(1.0, 0.006),
            'degas_strokes' => $state['strokes'],
            'moisture_state' => 'not_sensitive',
            'source_state' => $state['tests'] > 0.5 ? 'tests_passed' : 'label_only',
            'flake_size_ratio' => $state['flake'],
            'pressure_loss_pct' => 100 * $state['loss'] + $dice->normal(0, 2),
            'pressure_trace' => $state['loss'] > 0.25 ? 'bleeds_down' : 'steady',
            'pressure_vs_ref' => $dice->normal(1, 0.04),
            'rate_ratio' => $dice->normal(1, 0.1),
            'vent_state' => 'clear',
            'void_test' => match (true) {
                $dice->happens(0.3) => 'not_done',
                $state['loss'] > 0.25 => 'collapses',
                $state['strokes'] < 1 => 'swells',
                default => 'not_done',
            },
            'face_diff_k' => abs($state['faces_k']) + abs($dice->normal(0, 1)),
            'release_temp_margin_k' => $this->marginK($state) + $dice->normal(0, 2),
            'cooling_support' => $state['flat'] > 0.5 ? 'held_flat' : 'free_uneven',
            'plate_wedge_mm' => $state['wedge_mm'] + abs($dice->normal(0, 0.03)),
            'charge_spread' => $state['heap'] > 0.025 ? ($dice->happens(0.5) ? 'patchy' : 'low_edges') : 'even',
            'feed_cleanliness' => $dice->happens(0.85) ? 'clean' : 'dusty_fines',
            'flow_class' => 'same',
            'mould_condition' => $dice->happens(0.9) ? 'good' : 'residue',
            'machine_event' => $state['spread_k'] > 12 && $dice->happens(0.4) ? 'heater_fault' : 'none',
            'transfer_time_ratio' => $dice->between(0.7, 1.1),
            'part_weight_delta_pct' => $dice->normal(0, 0.6),
            'residence_ratio' => $dice->between(0.2, 0.6),
            'defect_repeat' => $state['heap'] > 0.025 || $state['flat'] < 0.5
                ? ($dice->happens(0.7) ? 'random' : 'one-off')
                : 'same place every part',
            'defect_place' => match (true) {
                $state['spread_k'] > 12 => $dice->happens(0.5) ? 'corner' : 'one side',
                $defect === 'cmp_wedge' => 'one side',
                $defect === 'cmp_warp' => 'corner',
                $state['gauge_k'] < -8 && $dice->happens(0.5) => 'whole surface',
                default => 'inside the wall',
            },
        ];
    }

    public function says(array $state, string $defect): array
    {
        $cool = $state['gauge_k'] < -6;
        $short = $state['heat'] < 1;

        return [
            'heat_too_short.0' => $short,
            'plates_too_cool.0' => $cool,
            'mixed_polymer.0' => false,
            'flake_too_big.0' => $state['flake'] > 0.9,
            'pressure_too_low.0' => false,
            'cold_spots.0' => $state['spread_k'] > 10,
            'no_degas.0' => $state['strokes'] < 1,
            'moisture.0' => false,
            'core_underheated.0' => $this->missedK($state) > self::COLD_K,
            'pressure_lost.0' => $state['loss'] > 0.15,
            'volatiles.0' => false,
            'degraded.0' => false,
            'uneven_cooling.0' => abs($state['faces_k']) > 3,
            'cool_too_short.0' => $this->marginK($state) > 0,
            'unsupported.0' => $state['flat'] < 0.5,
            'thickness_uneven.0' => false,
            'plates_not_parallel.0' => $state['wedge_mm'] > 0.18,
            'charge_uneven.0' => $state['heap'] > 0.025,
            'jack_off_centre.0' => false,
            'stops_unequal.0' => false,
            'platen_uneven.0' => false,
            'cold_press_tilt.0' => false,
        ];
    }

    /** @param  array<string, float>  $state */
    private function cycle(array $state): PressCycleResult
    {
        $code = self::POLYMERS[(int) $state['polymer']];
        $set = $this->polymers->get($code)->process('compression')->number('platen_c.typical');
        $thickness = $state['thickness_mm'];
        $planned = $this->press($code, $thickness, $set, null);
        // Biggest flakes close last: a layer of them takes as long as one that is thicker by what they stand out.
        $late = max(0.0, $state['flake'] - 0.8) * 0.25;
        $platen = $set + $state['gauge_k'] - ($state['spread_k'] > 8 ? $state['spread_k'] - 4 : 0.0);

        return $this->press($code, $thickness, $platen, $planned->heat_min * $state['heat'] / (1 + $late));
    }

    private function press(string $code, float $thickness, float $platen, ?float $minutes): PressCycleResult
    {
        $key = sprintf('%s %.0f %.1f %.2f', $code, $thickness, $platen, $minutes);
        if (! isset($this->cycles[$key])) {
            $input = ['polymer' => $code, 'thickness_mm' => $thickness, 'initial_c' => 20.0, 'soak_min' => 0.0,
                'cold_platen_c' => self::COLD_PLATEN_C, 'platen_c' => $platen, 'minutes_given' => $minutes];
            // Platens that stay under what the middle ought to reach: it heats towards what they can do.
            $cycle = $this->calculations->run('heat.press_cycle', [
                'core_target_c' => min($this->target($code), $platen - 3),
            ] + $input);
            assert($cycle instanceof PressCycleResult);
            $this->cycles[$key] = $cycle;
        }

        return $this->cycles[$key];
    }

    /** The middle is hot enough, °C. */
    private function target(string $code): float
    {
        return $this->polymers->get($code)->process('compression')->number('platen_c.min') - 5;
    }

    /** @param  array<string, float>  $state */
    private function missedK(array $state): float
    {
        $core = $this->cycle($state)->core_at_given_c;

        return $core === null ? 0.0 : max(0.0, $this->target(self::POLYMERS[(int) $state['polymer']]) - $core);
    }

    /** @param  array<string, float>  $state */
    private function voidsPct(array $state): float
    {
        $polymer = $this->polymers->get(self::POLYMERS[(int) $state['polymer']]);
        $shrinks = 100 * (1 - (float) $polymer->typical('density_melt_g_cm3') / (float) $polymer->typical('density_solid_g_cm3'));
        // A thicker charge holds more air.
        [$least, $most] = self::AIR_PCT;
        $air = $state['strokes'] < 1 ? $least + ($most - $least) * min(1.0, $state['thickness_mm'] / 14) : 0.0;

        return 0.7 + self::VOIDS_PER_K * $this->missedK($state) + $air + 0.35 * $shrinks * max(0.0, $state['loss'] - 0.1);
    }

    /**
     * The middle over what it may be taken out at, K.
     *
     * @param  array<string, float>  $state
     */
    private function marginK(array $state): float
    {
        $cycle = $this->cycle($state);
        $from = (float) $cycle->core_at_given_c;
        $left = ($cycle->demould_c - self::COLD_PLATEN_C) / ($from - self::COLD_PLATEN_C);
        // T − Tc = (T0 − Tc)·(4/π)·exp(−t/τ): what it needs makes τ, what it was given makes where it is.
        $needs = log(4 / M_PI / $left);

        return self::COLD_PLATEN_C + ($from - self::COLD_PLATEN_C) * 4 / M_PI * exp(-$needs * $state['cool'])
            - $cycle->demould_c;
    }

    /**
     * How far a corner lifts, mm in a metre.
     *
     * @param  array<string, float>  $state
     */
    private function liftMm(array $state): float
    {
        $margin = $this->marginK($state);
        // What is freed warm cools from outside as the room has it: a third of what it is over shows as a difference.
        $warm = max(0.0, $margin) / 3;
        // Leaned while it is warm it keeps the bend: the warmer the more.
        $leaned = $state['flat'] < 0.5 ? max(0.0, $margin + 25) / 5 : 0.0;
        $kelvin = abs($state['faces_k']) + $warm + $leaned;
        $length = $state['length_mm'];

        return self::EXPANDS_1_K * $kelvin * $length ** 2 / (8 * $state['thickness_mm']) / ($length / 1000);
    }

    /** @param  array<string, float>  $state */
    private function unevenMm(array $state): float
    {
        return $state['wedge_mm'] + $state['heap'] * $state['thickness_mm'];
    }
}
