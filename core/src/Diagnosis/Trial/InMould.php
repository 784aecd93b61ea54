<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis\Trial;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Flow\FillResult;
use Dithermic\Core\Flow\MeltInput;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Safety\Process;

/**
 * An injector with its mould. How full a part gets is flow.fill through the nozzle and the cavity at the heat that is
 * really there, against what the machine can push and the air that cannot get out (Boyle: shut in, its pressure grows
 * as its room shrinks). A fin runs into the gap of the parting line as far as it stays open while it freezes: a slit of
 * height h freezes in about h²/(10·α), and meanwhile p pushes the melt h·√(p·t/(6·η)) far. A dent is the shrinkage that
 * neither hold time, nor hold pressure, nor the gate let be fed.
 */
final class InMould implements Scene
{
    private const POLYMERS = ['PP', 'HDPE', 'PS', 'ABS'];

    /** only this one must be dried */
    private const THIRSTY = 3.0;

    /** under this share of its mass a part is short */
    private const SHORT = 0.98;

    /** a longer fin is flash, mm */
    private const FIN_MM = 0.3;

    /** a deeper dent is a sink mark, mm */
    private const DENT_MM = 0.15;

    /** each tenth of the clamp's force that the melt has over it opens the parting line by so much, mm */
    private const OPENS_MM = 0.12;

    private const NOZZLE_MM = [3.5, 15.0];

    private const AIR_BAR = 1.013;

    /** rate at which melt runs into a gap, 1/s */
    private const GAP_RATE = 1000.0;

    /** @var array<string, FillResult> */
    private array $filled = [];

    public function __construct(private readonly Registry $calculations, private readonly PolymerLibrary $polymers)
    {
    }

    public function process(): Process
    {
        return Process::Injection;
    }

    public function mode(): ?string
    {
        return null;
    }

    public function troubles(): array
    {
        return [
            'short_shot' => ['melt_too_cold', 'charge_too_small', 'pressure_too_low', 'mould_too_cold', 'air_trapped',
                'fill_too_slow', 'nozzle_restricted', 'melt_lost_at_joint'],
            'flash' => ['clamp_low', 'parting_worn', 'pressure_too_high', 'melt_too_hot', 'mould_bends'],
            'sink_marks' => ['hold_too_short', 'hold_too_low', 'wall_too_thick', 'gate_too_small'],
            'splay' => ['moisture', 'degraded'],
        ];
    }

    public function usual(Dice $dice): array
    {
        $polymer = (float) $dice->whole(0, count(self::POLYMERS) - 1);
        $process = $this->polymers->get(self::POLYMERS[(int) $polymer])->process('injection');
        $wall = $dice->happens(0.6) ? $dice->between(1.0, 2.2) : $dice->between(2.5, 4.5);
        $printed = $dice->happens(0.25) ? 1.0 : 0.0;

        $day = [
            'polymer' => $polymer,
            'melt_pos' => $dice->between(0.4, 0.6),
            'melt_k' => $dice->normal(0, 2),
            'soak' => $dice->between(1.0, 1.3),
            'mould_c' => $process->number('mould_c.typical'),
            'mould_k' => $dice->normal(0, 2.5),
            'nozzle_k' => $dice->normal(-2, 3),
            'wall_mm' => $wall,
            'length_mm' => $dice->between(40, 80) * $wall,
            'volume_cm3' => $dice->between(8, 40),
            'fill_s' => 1.0,
            'stroke' => $dice->between(0.95, 1.05),
            'spare' => $dice->between(1.12, 1.4),
            'push' => $dice->between(0.97, 1.03),
            'jerk' => $dice->between(1.0, 1.05),
            'charge' => $dice->between(1.01, 1.05),
            'leak' => 0.0,
            'vents' => 1.0,
            'vents_few' => $dice->happens(0.08) ? 1.0 : 0.0,
            'clamp' => $dice->between(1.15, 1.6),
            'gap_mm' => $dice->between(0.02, 0.05),
            'printed' => $printed,
            'bend_mm' => $printed * $dice->between(0.0, 0.01),
            'hold' => $dice->between(1.1, 1.5),
            'kept' => $dice->between(0.85, 0.98),
            'thick' => $dice->between(1.0, 1.35),
            'gate' => $dice->between(0.5, 0.8),
            'water' => $polymer === self::THIRSTY ? $dice->between(0.3, 0.9) : 0.0,
            'dried' => 1.0,
            'stood' => $dice->between(0.2, 0.7),
            'stopped' => 0.0,
            'shots' => $dice->between(0.05, 0.9),
        ];
        // As fast as it has to be, before it freezes.
        $freezes = $this->fill(self::asPlanned($day), false)->segments[0]->freeze_s;

        return ['fill_s' => min($dice->between(0.5, 0.92) * $freezes, $dice->between(2, 4))] + $day;
    }

    public function spoil(array $state, Trouble $trouble, Dice $dice): array
    {
        return match ($trouble->cause) {
            // Its gauge is wrong, or it has not stood long enough in the barrel.
            'melt_too_cold' => $dice->happens(0.5)
                ? ['melt_k' => -$dice->between(15, 50)] + $state
                : ['soak' => $dice->between(0.35, 0.85)] + $state,
            'charge_too_small' => ['charge' => $dice->between(0.85, 0.99)] + $state,
            'pressure_too_low' => ['push' => $dice->between(0.5, 0.9)] + $state,
            'mould_too_cold' => ['mould_k' => -$dice->between(8, 30)] + $state,
            'air_trapped' => ['vents' => 0.0] + $state,
            'fill_too_slow' => ['stroke' => $dice->between(1.3, 4.0)] + $state,
            'nozzle_restricted' => ['nozzle_k' => -$dice->between(15, 60)] + $state,
            'melt_lost_at_joint' => ['leak' => $dice->between(0.03, 0.15)] + $state,
            'clamp_low' => ['clamp' => $dice->between(0.4, 1.05)] + $state,
            'parting_worn' => ['gap_mm' => $state['gap_mm'] + $dice->between(0.03, 0.1)] + $state,
            'pressure_too_high' => ['jerk' => $dice->between(1.2, 1.9)] + $state,
            'melt_too_hot' => $dice->happens(0.5)
                ? ['melt_k' => $dice->between(15, 60)] + $state
                : ['melt_pos' => $dice->between(0.85, 1.3)] + $state,
            'mould_bends' => ['printed' => 1.0, 'bend_mm' => $dice->between(0.03, 0.12)] + $state,
            'hold_too_short' => ['hold' => $dice->between(0.2, 0.95)] + $state,
            'hold_too_low' => ['kept' => $dice->between(0.2, 0.7)] + $state,
            'wall_too_thick' => ['thick' => $dice->between(1.6, 3.0)] + $state,
            'gate_too_small' => ['gate' => $dice->between(0.12, 0.4)] + $state,
            // Only what takes up water: not dried, or dried by a clock in a dryer that does not dry.
            'moisture' => $state['polymer'] !== self::THIRSTY ? $state : [
                'water' => $dice->between(1.5, 8.0),
                'dried' => $dice->happens(0.7) ? 0.0 : 1.0,
            ] + $state,
            'degraded' => [
                'stood' => $dice->between(1.05, 3.0),
                'stopped' => $dice->happens(0.5) ? 1.0 : 0.0,
            ] + $state,
            default => $state,
        };
    }

    public function flaws(array $state): array
    {
        return array_keys(array_filter([
            'short_shot' => $this->full($state) < self::SHORT,
            'flash' => $this->finMm($state) > self::FIN_MM,
            'sink_marks' => $this->dentMm($state) > self::DENT_MM,
            'splay' => $state['water'] > 1.3 || $state['stood'] > 1.0,
        ]));
    }

    public function knows(): array
    {
        return ['heat_time_ratio', 'charge_ratio', 'weight_cv_pct', 'moisture_state', 'source_state', 'melt_temp_vs_window',
            'defect_repeat', 'defect_place', 'mould_shots_ratio', 'residence_ratio'];
    }

    public function reads(array $state, string $defect, Dice $dice): array
    {
        $full = $this->full($state);
        $warmsUp = $state['mould_k'] < -6;

        return [
            // What its gauge shows: the window by the set-point, not by the melt.
            'melt_temp_vs_window' => $state['melt_pos'] + $dice->normal(0, 0.02),
            'dial_minus_probe_k' => -$this->offK($state) + $dice->normal(0, 2),
            'heat_time_ratio' => $state['soak'],
            'residence_ratio' => $state['stood'],
            'mould_temp_error_k' => $state['mould_k'] + $dice->normal(0, 1.5),
            'nozzle_temp_offset_k' => $state['nozzle_k'] + $dice->normal(0, 2),
            'rate_ratio' => $dice->normal(1, 0.03) / $state['stroke'],
            'charge_ratio' => $state['charge'] + $dice->normal(0, 0.004),
            'part_weight_delta_pct' => 100 * ($full - 1) - 6 * $this->unfed($state) + $dice->normal(0, 0.3)
                + 15 * max(0.0, $this->openMm($state)),
            'weight_cv_pct' => abs($dice->normal(0.6, 0.2)) + ($state['leak'] > 0 ? $dice->between(0.5, 3) : 0.0),
            'pressure_vs_ref' => $this->pushed($state) / (1.05 * $this->needs(self::asPlanned($state)))
                + $dice->normal(0, 0.03),
            'pressure_trace' => $this->trace($state, $dice),
            'pressure_loss_pct' => 100 * (1 - $state['kept']) + $dice->normal(0, 2),
            'full_sign' => match (true) {
                $dice->happens(0.3) => 'not_watched',
                $state['charge'] * (1 - $state['leak']) < 1.0 => 'plunger_bottomed',
                $full >= 1.0 => $dice->happens(0.5) ? 'vent_bleed' : 'load_rise',
                default => $dice->happens(0.5) ? 'load_rise' : 'none_seen',
            },
            'vent_state' => match (true) {
                $state['vents'] < 0.5 => 'blocked',
                $state['vents_few'] > 0.5 => 'none_or_few',
                default => 'clear',
            },
            'clamp_state' => match (true) {
                $state['clamp'] >= 1.1 => 'full_even',
                $state['clamp'] < 0.8 => 'low',
                default => 'uneven',
            },
            'mould_condition' => $state['gap_mm'] > 0.055
                ? ($dice->happens(0.5) ? 'worn_or_gapped' : 'residue')
                : 'good',
            'mould_material' => $state['printed'] > 0.5 ? 'printed' : 'aluminium',
            'mould_shots_ratio' => $state['gap_mm'] > 0.055
                ? max($state['shots'], $dice->between(0.5, 1.3))
                : $state['shots'],
            'nozzle_seat' => $state['leak'] > 0 ? ['offset', 'gap', 'dirty'][$dice->whole(0, 2)] : 'tight',
            'machine_event' => match (true) {
                $state['leak'] > 0.05 && $dice->happens(0.5) => 'leak_seen',
                $state['stopped'] > 0.5 => 'restart_after_stop',
                default => 'none',
            },
            'hold_vs_seal' => $state['hold'] + $dice->normal(0, 0.03),
            'wall_ratio' => $state['thick'],
            'gate_ratio' => $state['gate'],
            'moisture_state' => match (true) {
                $state['polymer'] !== self::THIRSTY => 'not_sensitive',
                $state['dried'] < 0.5 => 'not_dried',
                $state['water'] < 1.0 && $dice->happens(0.5) => 'dry_verified',
                default => 'dried_unverified',
            },
            'source_state' => $dice->happens(0.8) ? 'tests_passed' : 'label_only',
            'feed_cleanliness' => $dice->happens(0.85) ? 'clean' : 'dusty_fines',
            'feed_state' => 'full_steady',
            'flow_class' => $this->offK($state) > 20 ? 'runnier' : 'same',
            'release_agent' => 'none',
            'release_temp_margin_k' => 0.3 * $this->offK($state) - 12 + $dice->normal(0, 3),
            'defect_repeat' => match (true) {
                $warmsUp && $dice->happens(0.7) => 'first parts only',
                $state['nozzle_k'] < -12 && $dice->happens(0.5) => 'sudden start',
                $state['leak'] > 0 || $state['push'] < 0.93 || $state['hold'] < 1 => 'random',
                default => 'same place every part',
            },
            'defect_place' => $this->where($state, $defect, $dice),
        ];
    }

    public function says(array $state, string $defect): array
    {
        $real = $state['melt_pos'] + $this->offK($state) / $this->window($state)[1];
        $needs = $this->needs($state) / $this->needs(self::asPlanned($state));
        $bottomed = $state['charge'] * (1 - $state['leak']) < 1.0;

        return [
            'melt_too_cold.0' => $real < 0.25,
            'charge_too_small.0' => $bottomed,
            'pressure_too_low.0' => $state['push'] < 0.93,
            'pressure_too_low.1' => $state['push'] < 0.93,
            'mould_too_cold.0' => $state['mould_k'] < -6,
            'air_trapped.0' => $state['vents'] < 0.5,
            'fill_too_slow.0' => $state['stroke'] > 1.25,
            'nozzle_restricted.0' => $needs > 1.15 && $state['nozzle_k'] < -10,
            'melt_lost_at_joint.0' => $state['leak'] > 0.01,
            'clamp_low.0' => $state['clamp'] < 1.05,
            'clamp_low.1' => $this->openMm($state) > 0.03,
            'parting_worn.0' => $state['gap_mm'] > 0.05,
            'pressure_too_high.0' => $state['jerk'] > 1.15,
            'melt_too_hot.0' => $real > 0.85,
            'mould_bends.0' => $state['bend_mm'] > 0.02,
            'hold_too_short.0' => $state['hold'] < 1,
            'hold_too_low.0' => $state['kept'] < 0.75,
            'wall_too_thick.0' => $state['thick'] > 1.5,
            'gate_too_small.0' => $this->gateFed($state) < 0.8 && $state['hold'] >= 1,
            'moisture.0' => $state['water'] > 1.3,
            'degraded.0' => $state['stood'] > 1.0,
            'charge_too_big.0' => false,
            'air_in_charge.0' => false,
            'fill_too_fast.0' => false,
            'volatiles.0' => false,
            'mould_wet.0' => false,
        ];
    }

    /**
     * How far the melt is from its gauge, K: the gauge's error, and what a short soak has left of the way from the room
     * (the first term of a cylinder's series, Carslaw & Jaeger: 1 % after the time that it needs).
     *
     * @param  array<string, float>  $state
     */
    private function offK(array $state): float
    {
        [$least, $wide] = $this->window($state);

        return $state['melt_k'] - ($least + $state['melt_pos'] * $wide - 20) * exp(-4.6 * $state['soak']);
    }

    /**
     * @param  array<string, float>  $state
     * @return array{float, float} lowest melt, °C, and how far the window reaches, K
     */
    private function window(array $state): array
    {
        $melt = $this->polymers->get(self::POLYMERS[(int) $state['polymer']])->process('injection');
        $least = $melt->number('melt_c.min');

        return [$least, $melt->number('melt_c.max') - $least];
    }

    /**
     * @param  array<string, float>  $state
     * @return array<string, float> the same part as it was planned
     */
    private static function asPlanned(array $state): array
    {
        return ['melt_k' => 0.0, 'soak' => 1.2, 'mould_k' => 0.0, 'nozzle_k' => 0.0, 'stroke' => 1.0] + $state;
    }

    /** @param  array<string, float>  $state */
    private function fill(array $state, bool $nozzle): FillResult
    {
        [$least, $wide] = $this->window($state);
        $melt = $least + $state['melt_pos'] * $wide + $this->offK($state) + ($nozzle ? $state['nozzle_k'] : 0.0);
        $wall = $state['wall_mm'];
        $input = [
            'polymer' => self::POLYMERS[(int) $state['polymer']],
            'melt_c' => $melt,
            'mould_c' => $state['mould_c'] + $state['mould_k'],
            'flow_cm3_s' => $state['volume_cm3'] / ($state['fill_s'] * $state['stroke']),
            'path' => $nozzle
                ? [['kind' => 'round', 'diameter_mm' => self::NOZZLE_MM[0], 'length_mm' => self::NOZZLE_MM[1]]]
                : [[
                    'kind' => 'slit',
                    'length_mm' => $state['length_mm'],
                    'width_mm' => 1000 * $state['volume_cm3'] / ($state['length_mm'] * $wall),
                    'height_mm' => $wall,
                ]],
        ];
        $key = serialize($input);
        if (! isset($this->filled[$key])) {
            $filled = $this->calculations->run('flow.fill', $input);
            assert($filled instanceof FillResult);
            $this->filled = [$key => $filled] + array_slice($this->filled, 0, 20);
        }

        return $this->filled[$key];
    }

    /**
     * What filling takes at the heat that is there, bar.
     *
     * @param  array<string, float>  $state
     */
    private function needs(array $state): float
    {
        return $this->fill($state, true)->pressure_bar + $this->fill($state, false)->pressure_bar;
    }

    /**
     * What the machine can push, bar.
     *
     * @param  array<string, float>  $state
     */
    private function can(array $state): float
    {
        return $state['spare'] * $this->needs(self::asPlanned($state)) * $state['push'];
    }

    /**
     * The highest push of the stroke, bar: no more than the cavity answers, and than the machine can.
     *
     * @param  array<string, float>  $state
     */
    private function pushed(array $state): float
    {
        $answers = 1.05 * $this->needs($state) * min(1.0, $state['charge'] * (1 - $state['leak']));
        $air = $state['vents'] < 0.5 ? self::AIR_BAR / (1 - min(0.99, $this->full($state))) : 0.0;

        return $state['jerk'] * min($this->can($state), $answers + $air);
    }

    /**
     * Share of the cavity that is filled.
     *
     * @param  array<string, float>  $state
     */
    private function full(array $state): float
    {
        $cavity = $this->fill($state, false);
        $freezes = $cavity->segments[0]->freeze_s / $cavity->fill_s;

        return min(1.0, $state['charge'] * (1 - $state['leak']), $freezes, $this->pushes($state));
    }

    /**
     * How far the push drives the front, by bisection: what the way so far takes, and the air before it.
     *
     * @param  array<string, float>  $state
     */
    private function pushes(array $state): float
    {
        [$can, $needs] = [$this->can($state), $this->needs($state)];
        if ($state['vents'] >= 0.5) {
            return $can / $needs;
        }
        [$low, $high] = [0.0, 0.9999];
        for ($i = 0; $i < 30; $i++) {
            $middle = ($low + $high) / 2;
            $resists = $middle * $needs + self::AIR_BAR * $middle / (1 - $middle);
            [$low, $high] = $resists < $can ? [$middle, $high] : [$low, $middle];
        }

        return $low;
    }

    /**
     * What the melt has over the clamp opens the parting line, mm.
     *
     * @param  array<string, float>  $state
     */
    private function openMm(array $state): float
    {
        // The clamp is set for the push that a good part takes.
        return max(0.0, self::OPENS_MM * ($state['jerk'] * $state['push'] / $state['clamp'] - 1));
    }

    /** @param  array<string, float>  $state */
    private function finMm(array $state): float
    {
        $code = self::POLYMERS[(int) $state['polymer']];
        $polymer = $this->polymers->get($code);
        $law = (new MeltInput)->law(new MaterialInput($code), $this->polymers);
        [$least, $wide] = $this->window($state);
        $viscosity = $law->consistencyAt($least + $state['melt_pos'] * $wide + $this->offK($state))
            * self::GAP_RATE ** ($law->exponent - 1);
        $density = 1000 * (float) $polymer->typical('density_melt_g_cm3');
        $alpha = (float) $polymer->typical('conductivity_melt_w_mk')
            / ($density * 1000 * (float) $polymer->typical('specific_heat_melt_j_gk'));
        $gap = ($state['gap_mm'] + $this->openMm($state) + $state['bend_mm']) / 1000;
        // What the machine packs with; about half of it comes to the parting line.
        $pascal = 0.5e5 * $state['jerk'] * $this->can($state);

        return 1000 * $gap ** 2 * sqrt($pascal / (6 * $viscosity * 10 * $alpha));
    }

    /**
     * Share of the thick place's shrinkage that came through the gate before it froze: both freeze by the square.
     *
     * @param  array<string, float>  $state
     */
    private function gateFed(array $state): float
    {
        return min(1.0, ($state['gate'] / (0.45 * $state['thick'])) ** 2);
    }

    /**
     * Share of the shrinkage that nothing fed.
     *
     * @param  array<string, float>  $state
     */
    private function unfed(array $state): float
    {
        $fed = min(1.0, $state['hold']) * $this->gateFed($state) * min(1.0, 0.25 + $state['kept']);

        return 1 - 0.9 * $fed;
    }

    /** @param  array<string, float>  $state */
    private function dentMm(array $state): float
    {
        $polymer = $this->polymers->get(self::POLYMERS[(int) $state['polymer']]);
        $shrinks = 1 - (float) $polymer->typical('density_melt_g_cm3') / (float) $polymer->typical('density_solid_g_cm3');

        return $shrinks * $this->unfed($state) * $state['wall_mm'] * $state['thick'] ** 2 / 3;
    }

    /** @param  array<string, float>  $state */
    private function trace(array $state, Dice $dice): string
    {
        return match (true) {
            $state['charge'] * (1 - $state['leak']) < 1.0 => 'low_flat',
            $state['jerk'] > 1.15 || $state['nozzle_k'] < -20 => 'spike',
            $state['kept'] < 0.7 => 'bleeds_down',
            $state['push'] < 0.93 => $dice->happens(0.5) ? 'bleeds_down' : 'low_flat',
            default => 'steady',
        };
    }

    /** @param  array<string, float>  $state */
    private function where(array $state, string $defect, Dice $dice): string
    {
        $cavity = $this->fill($state, false);
        $froze = $cavity->segments[0]->freeze_s < $cavity->fill_s;

        return match ($defect) {
            'short_shot' => $froze && $dice->happens(0.5) ? 'thin section' : 'end of flow',
            'flash' => match (true) {
                $state['bend_mm'] > 0.02 => $dice->happens(0.7) ? 'centre' : 'parting line',
                $state['clamp'] < 1.05 && $dice->happens(0.5) => 'one side',
                default => 'parting line',
            },
            'sink_marks' => match (true) {
                $state['thick'] > 1.5 => $dice->happens(0.5) ? 'rib or boss root' : 'thick section',
                $state['kept'] < 0.7 => $dice->happens(0.5) ? 'end of flow' : 'thick section',
                $state['hold'] < 1 => $dice->happens(0.5) ? 'near gate' : 'thick section',
                default => 'thick section',
            },
            default => $state['water'] > 1.3 && $dice->happens(0.6) ? 'whole surface' : 'near gate',
        };
    }
}
