<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis\Trial;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Flow\FillResult;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Safety\Process;

/**
 * An extruder that fills bar moulds. How far a bar gets is flow.fill against what the screw gives, until it freezes or
 * somebody stops it. A bar whose sides differ bends by α·ΔT·L²/(8·h). In the tank its skin grows by the root of the
 * time (Neumann), and carries by its third power: stripped before that, or laid on two supports while it is warm, a bar
 * sags.
 */
final class InBar implements Scene
{
    private const POLYMERS = ['HDPE', 'PP'];

    private const SHORT = 0.98;

    /** a bar for light use bends so much, mm in a metre */
    private const BOW_MM_M = 5.0;

    private const EXPANDS_1_K = 1.5e-4;

    private const AIR_BAR = 1.013;

    /** a skin that just carries lets a bar sag so much, mm */
    private const SAGS_MM = 2.0;

    public function __construct(private readonly Registry $calculations, private readonly PolymerLibrary $polymers)
    {
    }

    public function process(): Process
    {
        return Process::Extrusion;
    }

    public function mode(): string
    {
        return 'mould_fill';
    }

    public function troubles(): array
    {
        return [
            'ext_incomplete_fill' => ['stopped_early', 'mould_too_cold', 'air_trapped', 'melt_too_cold', 'fill_too_slow',
                'feed_starved'],
            'ext_warped_bar' => ['uneven_cooling', 'cool_too_short', 'unsupported'],
        ];
    }

    public function usual(Dice $dice): array
    {
        $day = [
            'polymer' => (float) $dice->whole(0, count(self::POLYMERS) - 1),
            'melt_pos' => $dice->between(0.4, 0.6),
            'melt_k' => $dice->normal(0, 2),
            'mould_c' => 45.0,
            'mould_k' => $dice->normal(0, 3),
            'height_mm' => $dice->between(8, 14),
            'width_mm' => $dice->between(30, 60),
            'length_mm' => $dice->between(800, 1400),
            'fill_s' => 60.0,
            'stroke' => $dice->between(0.93, 1.07),
            'spare' => $dice->between(1.15, 1.5),
            'stopped' => $dice->between(1.0, 1.03),
            'starved' => 0.0,
            'vents' => 1.0,
            'watched' => $dice->happens(0.75) ? 1.0 : 0.0,
            'sides_k' => $dice->normal(0, 1.2),
            'tank' => $dice->between(1.05, 1.4),
            'flat' => 1.0,
        ];
        $freezes = $this->fill(self::asPlanned($day))->segments[0]->freeze_s;

        return ['fill_s' => $dice->between(0.45, 0.88) * $freezes] + $day;
    }

    public function spoil(array $state, Trouble $trouble, Dice $dice): array
    {
        return match ($trouble->cause) {
            'stopped_early' => ['stopped' => $dice->between(0.8, 0.99), 'watched' => 0.0] + $state,
            'mould_too_cold' => ['mould_k' => -$dice->between(10, 35)] + $state,
            'air_trapped' => ['vents' => 0.0] + $state,
            'melt_too_cold' => $dice->happens(0.5)
                ? ['melt_k' => -$dice->between(12, 35)] + $state
                : ['melt_pos' => -$dice->between(0.0, 0.3)] + $state,
            'fill_too_slow' => ['stroke' => $dice->between(1.3, 3.0)] + $state,
            'feed_starved' => ['starved' => $dice->between(0.2, 0.7)] + $state,
            'uneven_cooling' => ['sides_k' => ($dice->happens(0.5) ? 1 : -1) * $dice->between(4, 30)] + $state,
            'cool_too_short' => ['tank' => $dice->between(0.4, 0.95)] + $state,
            'unsupported' => ['flat' => 0.0] + $state,
            default => $state,
        };
    }

    public function flaws(array $state): array
    {
        return array_keys(array_filter([
            'ext_incomplete_fill' => $this->full($state) < self::SHORT,
            'ext_warped_bar' => $this->bowMm($state) > self::BOW_MM_M,
        ]));
    }

    public function knows(): array
    {
        return ['charge_ratio', 'cool_time_ratio', 'moisture_state', 'source_state', 'melt_temp_vs_window', 'weight_cv_pct',
            'part_weight_delta_pct', 'defect_repeat', 'defect_place'];
    }

    public function reads(array $state, string $defect, Dice $dice): array
    {
        $full = $this->full($state);
        $planned = $this->fill(self::asPlanned($state))->pressure_bar;
        $peak = min($this->can($state), 1.05 * $this->fill($state)->pressure_bar * min(1.0, $full + 0.02));

        return [
            'melt_temp_vs_window' => $state['melt_pos'] + $dice->normal(0, 0.02),
            'dial_minus_probe_k' => -$state['melt_k'] + $dice->normal(0, 2),
            'heat_time_ratio' => $dice->between(1.0, 1.3),
            'mould_temp_error_k' => $state['mould_k'] + $dice->normal(0, 2),
            'rate_ratio' => (1 - $state['starved']) / $state['stroke'] + $dice->normal(0, 0.03),
            // What the screw gave until it was stopped, by its turns.
            'charge_ratio' => $state['stopped'] * min(1.0, $full + 0.02) + $dice->normal(0, 0.006),
            'part_weight_delta_pct' => 100 * ($full - 1) + $dice->normal(0, 0.4),
            'weight_cv_pct' => abs($dice->normal(0.8, 0.3)) + ($state['starved'] > 0 ? $dice->between(2, 9) : 0.0),
            'pressure_vs_ref' => $peak / (1.05 * $planned) * (1 - 0.5 * $state['starved']) + $dice->normal(0, 0.03),
            'pressure_trace' => $state['starved'] > 0 ? ($dice->happens(0.5) ? 'surging' : 'low_flat') : 'steady',
            'full_sign' => match (true) {
                $state['watched'] < 0.5 => 'not_watched',
                $full >= 1.0 => 'vent_bleed',
                $state['vents'] < 0.5 || $state['melt_k'] < -10 || $state['mould_k'] < -10 => 'load_rise',
                default => 'none_seen',
            },
            'vent_state' => $state['vents'] < 0.5 ? 'blocked' : ($dice->happens(0.08) ? 'none_or_few' : 'clear'),
            'feed_state' => $state['starved'] > 0 ? ($dice->happens(0.5) ? 'starved' : 'bridging') : 'full_steady',
            'nozzle_seat' => $dice->happens(0.95) ? 'tight' : 'dirty',
            'mould_material' => 'steel',
            'moisture_state' => 'not_sensitive',
            'source_state' => $dice->happens(0.7) ? 'tests_passed' : 'label_only',
            'feed_cleanliness' => $dice->happens(0.85) ? 'clean' : 'dusty_fines',
            'flow_class' => 'same',
            'machine_event' => 'none',
            'face_diff_k' => abs($state['sides_k']) + abs($dice->normal(0, 1)),
            'cool_time_ratio' => $state['tank'] / 1.1,
            'release_temp_margin_k' => 25 * (1 - $state['tank']) + $dice->normal(0, 2),
            'cooling_support' => match (true) {
                $state['flat'] < 0.5 => 'free_uneven',
                default => $dice->happens(0.5) ? 'clamped_straight' : 'free_even',
            },
            'hold_vs_seal' => $dice->between(1.0, 1.3),
            'haul_off_ratio' => 1.0,
            'defect_repeat' => match (true) {
                $state['mould_k'] < -8 && $dice->happens(0.7) => 'first parts only',
                $state['starved'] > 0 || $state['flat'] < 0.5 || $state['stopped'] < 1 => 'random',
                default => 'same place every part',
            },
            'defect_place' => $defect === 'ext_incomplete_fill' ? 'far end' : 'along the length',
        ];
    }

    public function says(array $state, string $defect): array
    {
        return [
            'stopped_early.0' => $state['stopped'] < 1.0 && $this->fullUnstopped($state) > $state['stopped'],
            'mould_too_cold.0' => $state['mould_k'] < -8,
            'air_trapped.0' => $state['vents'] < 0.5,
            'melt_too_cold.0' => $this->fill($state)->pressure_bar > 1.15 * $this->fill(self::asPlanned($state))->pressure_bar,
            'fill_too_slow.0' => $state['stroke'] > 1.25 || $state['starved'] > 0.2,
            'feed_starved.0' => $state['starved'] > 0,
            'melt_lost_at_joint.0' => false,
            'uneven_cooling.0' => abs($state['sides_k']) > 4,
            'cool_too_short.0' => $state['tank'] < 1,
            'unsupported.0' => $state['flat'] < 0.5,
            'pull_misaligned.0' => false,
            'overpacked.0' => false,
            'mixed_polymer.0' => false,
        ];
    }

    /**
     * @param  array<string, float>  $state
     * @return array<string, float> the same bar as it was planned
     */
    private static function asPlanned(array $state): array
    {
        return ['melt_k' => 0.0, 'melt_pos' => 0.5, 'mould_k' => 0.0, 'stroke' => 1.0, 'starved' => 0.0] + $state;
    }

    /** @param  array<string, float>  $state */
    private function fill(array $state): FillResult
    {
        $code = self::POLYMERS[(int) $state['polymer']];
        $melt = $this->polymers->get($code)->process('extrusion');
        [$least, $most] = [$melt->number('melt_c.min'), $melt->number('melt_c.max')];
        $cm3 = $state['width_mm'] * $state['height_mm'] * $state['length_mm'] / 1000;
        $filled = $this->calculations->run('flow.fill', [
            'polymer' => $code,
            'melt_c' => $least + $state['melt_pos'] * ($most - $least) + $state['melt_k'],
            'mould_c' => $state['mould_c'] + $state['mould_k'],
            'flow_cm3_s' => $cm3 * (1 - $state['starved']) / ($state['fill_s'] * $state['stroke']),
            'path' => [['kind' => 'slit', 'length_mm' => $state['length_mm'], 'width_mm' => $state['width_mm'],
                'height_mm' => $state['height_mm']]],
        ]);
        assert($filled instanceof FillResult);

        return $filled;
    }

    /**
     * What the screw gives, bar.
     *
     * @param  array<string, float>  $state
     */
    private function can(array $state): float
    {
        return $state['spare'] * $this->fill(self::asPlanned($state))->pressure_bar;
    }

    /** @param  array<string, float>  $state */
    private function full(array $state): float
    {
        return min(1.0, $state['stopped'], $this->fullUnstopped($state));
    }

    /**
     * Share of the mould that melt gets to, if nobody stops it.
     *
     * @param  array<string, float>  $state
     */
    private function fullUnstopped(array $state): float
    {
        $fill = $this->fill($state);
        [$can, $needs] = [$this->can($state), $fill->pressure_bar];
        $pushes = $can / $needs;
        if ($state['vents'] < 0.5) {
            // Air that is shut in answers with P/(1 − x): the root of x·needs + P·x/(1 − x) = can.
            $b = $needs + self::AIR_BAR + $can;
            $pushes = ($b - sqrt($b ** 2 - 4 * $needs * $can)) / (2 * $needs);
        }

        return min(1.0, $fill->segments[0]->freeze_s / $fill->fill_s, $pushes);
    }

    /**
     * How far a bar bends, mm in a metre.
     *
     * @param  array<string, float>  $state
     */
    private function bowMm(array $state): float
    {
        $metres = $state['length_mm'] / 1000;
        $sides = self::EXPANDS_1_K * abs($state['sides_k']) * $state['length_mm'] ** 2 / (8 * $state['width_mm']);
        $sags = self::SAGS_MM * max(0.0, $state['tank'] ** -1.5 - 1);
        // On two supports it goes on sagging until it is cold; the longer it was cooled the less is left of that.
        $lies = $state['flat'] < 0.5 ? 9.0 / $state['tank'] ** 2 : 0.0;

        return ($sides + $sags + $lies) / $metres;
    }
}
