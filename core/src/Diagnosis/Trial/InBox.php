<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis\Trial;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Sheet\SheetCurvePoint;
use Dithermic\Core\Heat\Sheet\VacuumSheetResult;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Safety\Process;
use Dithermic\Core\Vacuum\TwoStageResult;

/**
 * A former with two stages. How hot a sheet is through its thickness is heat.vacuum_sheet under the heater that is
 * really there; how hard it is pulled, and when, is vacuum.two_stage with the tank, the valve and the leak that are
 * really there. A hot sheet is a membrane: it goes into a corner to the radius at which p·R = σ·t, and its σ falls by a
 * decade over the forming window. Its corner is the mean wall of the draw, thinner where the corner is sharp and the
 * sheet hot.
 */
final class InBox implements Scene
{
    private const POLYMERS = ['PS', 'ABS', 'PETG'];

    /** these take up water */
    private const THIRSTY = ['ABS', 'PETG'];

    /** σ/p of a sheet in the middle of its window at a full pull, in thicknesses */
    private const RADIUS = 0.5;

    private const DECADE = 2.3;

    private const AIR_KPA = 101.3;

    /** thinner than this share of the sheet a corner gives way */
    private const THIN = 0.35;

    /** of the mean wall at a corner that is rounder than the sheet is thick */
    private const CORNER = 0.62;

    /** @var array<string, VacuumSheetResult> */
    private array $sheets = [];

    public function __construct(private readonly Registry $calculations)
    {
    }

    public function process(): Process
    {
        return Process::VacuumForming;
    }

    public function mode(): string
    {
        return 'two_stage';
    }

    public function troubles(): array
    {
        return [
            'vac_no_detail' => [
                'sheet_too_cold', 'vacuum_weak', 'seal_leaks', 'vents_blocked', 'vacuum_slow', 'tank_weak',
            ],
            'vac_thin_corners' => ['draw_too_deep', 'sheet_too_hot', 'sharp_corner', 'heat_uneven'],
            'vac_blisters' => ['moisture', 'heated_too_fast', 'sheet_too_hot'],
            'vac_warp' => ['cool_too_short', 'uneven_cooling'],
        ];
    }

    public function usual(Dice $dice): array
    {
        $polymer = (float) $dice->whole(0, count(self::POLYMERS) - 1);

        return [
            'polymer' => $polymer,
            'sheet_mm' => (float) $dice->whole(2, 4) / 2 + 0.5,
            'heater_c' => 5 * (float) $dice->whole(68, 76),
            'heater_k' => $dice->normal(0, 4),
            'sides' => 1.0,
            'heat' => $dice->between(0.95, 1.05),
            'spread_k' => $dice->between(2, 8),
            'tank' => $dice->between(0.97, 1.03),
            'pump' => $dice->between(0.97, 1.03),
            'valve' => $dice->between(0.95, 1.05),
            'leak_kpa_min' => $dice->between(0.3, 2.5),
            'vents' => 1.0,
            'draw' => $dice->between(1.3, 1.6),
            'corner' => $dice->between(1.3, 3.0),
            'water' => $this->drinks(['polymer' => $polymer]) ? $dice->between(0.2, 0.8) : 0.0,
            'dried' => 1.0,
            'cool' => $dice->between(1.02, 1.3),
            'mould_k' => $dice->normal(0, 3),
            'fan' => 0.0,
        ];
    }

    public function spoil(array $state, Trouble $trouble, Dice $dice): array
    {
        return match ($trouble->cause) {
            'sheet_too_cold' => $dice->happens(0.5)
                ? ['heater_k' => -$dice->between(15, 60)] + $state
                : ['heat' => $dice->between(0.6, 0.9)] + $state,
            'sheet_too_hot' => $dice->happens(0.5)
                ? ['heater_k' => $dice->between(15, 80)] + $state
                : ['heat' => $dice->between(1.1, 1.6)] + $state,
            'vacuum_weak' => ['pump' => $dice->between(0.3, 0.85)] + $state,
            'seal_leaks' => ['leak_kpa_min' => $dice->between(60, 900)] + $state,
            'vents_blocked' => ['vents' => 0.0] + $state,
            'vacuum_slow' => ['valve' => $dice->between(0.01, 0.3)] + $state,
            'tank_weak' => ['tank' => $dice->between(0.3, 0.85)] + $state,
            'draw_too_deep' => ['draw' => $dice->between(1.9, 3.5)] + $state,
            'sharp_corner' => ['corner' => $dice->between(0.2, 0.9)] + $state,
            'heat_uneven' => ['spread_k' => $dice->between(15, 50)] + $state,
            'moisture' => $this->drinks($state) ? [
                'water' => $dice->between(1.2, 8),
                'dried' => $dice->happens(0.7) ? 0.0 : 1.0,
            ] + $state : $state,
            'heated_too_fast' => [
                'heater_c' => 5 * (float) $dice->whole(88, 116),
                'sheet_mm' => $state['sheet_mm'] + 2.0,
            ] + $state,
            'cool_too_short' => ['cool' => $dice->between(0.4, 0.95)] + $state,
            'uneven_cooling' => ['fan' => $dice->between(0.3, 1.0)] + $state,
            default => $state,
        };
    }

    public function flaws(array $state): array
    {
        return array_keys(array_filter([
            'vac_no_detail' => $this->radius($state) > 1.0,
            'vac_thin_corners' => $this->cornerShare($state) < self::THIN,
            'vac_blisters' => $state['water'] > 1.1 || $this->hottest($state) > $this->sheet($state)->sheet_upper_c + 8,
            'vac_warp' => $this->marginK($state) > 3 || $state['fan'] > 0.4,
        ]));
    }

    public function knows(): array
    {
        return ['heat_time_ratio', 'cool_time_ratio', 'moisture_state', 'source_state', 'defect_repeat', 'defect_place',
            'draw_ratio', 'corner_radius_ratio', 'vacuum_reached_ratio', 'transfer_time_ratio'];
    }

    public function reads(array $state, string $defect, Dice $dice): array
    {
        $pull = $this->pull($state);
        $usual = $this->pull(['pump' => 1.0, 'tank' => 1.0, 'valve' => 1.0, 'leak_kpa_min' => 1.0] + $state);
        $hot = $this->pos($state);

        return [
            'sheet_temp_vs_window' => $hot + $dice->normal(0, 0.05),
            'dial_minus_probe_k' => -0.35 * $state['heater_k'] + $dice->normal(0, 2),
            'heat_time_ratio' => $state['heat'],
            'sag_ratio' => 10 ** (0.6 * ($hot - 0.5)) + $dice->normal(0, 0.08),
            'temp_spread_k' => $state['spread_k'] + $dice->normal(0, 1),
            'face_diff_k' => $this->facesK($state) + $dice->normal(0, 1.5),
            'vacuum_reached_ratio' => $pull['reached'] / $usual['reached'] + $dice->normal(0, 0.01),
            'vacuum_rise_ratio' => $pull['rise_s'] / $usual['rise_s'] * $dice->normal(1, 0.04),
            'vacuum_decay_kpa_min' => $state['leak_kpa_min'] + abs($dice->normal(0, 0.3)),
            'tank_start_ratio' => $state['tank'] * $state['pump'] ** 0.2 + $dice->normal(0, 0.01),
            'stage_gap_ratio' => $dice->between(0.85, 1.2),
            'vent_state' => $state['vents'] < 0.5 ? 'blocked' : ($dice->happens(0.06) ? 'none_or_few' : 'clear'),
            'clamp_state' => $state['leak_kpa_min'] > 40 && $dice->happens(0.6)
                ? ($dice->happens(0.5) ? 'low' : 'uneven')
                : 'full_even',
            'machine_event' => match (true) {
                $state['leak_kpa_min'] > 100 && $dice->happens(0.4) => 'leak_seen',
                $state['fan'] > 0.2 && $dice->happens(0.5) => 'draught',
                default => 'none',
            },
            'draw_ratio' => $state['draw'],
            'corner_radius_ratio' => $state['corner'],
            'moisture_state' => match (true) {
                ! $this->drinks($state) => 'not_sensitive',
                $state['dried'] < 0.5 => 'not_dried',
                $state['water'] < 1.0 && $dice->happens(0.5) => 'dry_verified',
                default => 'dried_unverified',
            },
            'source_state' => $dice->happens(0.8) ? 'tests_passed' : 'label_only',
            'feed_cleanliness' => $dice->happens(0.9) ? 'clean' : 'dusty_fines',
            'film_on' => false,
            'reuse_passes' => $dice->happens(0.2) ? 1.0 : 0.0,
            'stock_thickness_dev_pct' => $dice->between(1, 4),
            'mould_temp_error_k' => $state['mould_k'] + $dice->normal(0, 1.5),
            'cool_time_ratio' => $state['cool'],
            'release_temp_margin_k' => $this->marginK($state) + $dice->normal(0, 2),
            'cooling_support' => $state['fan'] > 0.2 ? 'free_uneven' : 'held_flat',
            'rate_ratio' => $dice->normal(1, 0.08),
            'transfer_time_ratio' => $dice->between(0.6, 1.1),
            'measure_age_h' => $dice->between(1, 30),
            'flow_class' => 'same',
            'defect_repeat' => $state['leak_kpa_min'] > 40 || $state['fan'] > 0.2
                ? ($dice->happens(0.6) ? 'random' : 'sudden start')
                : 'same place every part',
            'defect_place' => match ($defect) {
                'vac_no_detail',
                'vac_thin_corners' => $state['spread_k'] > 12 && $dice->happens(0.6) ? 'one side' : 'corner',
                'vac_blisters' => $state['water'] > 1.1 ? 'whole surface' : 'top face',
                default => 'edge',
            },
        ];
    }

    public function says(array $state, string $defect): array
    {
        $hot = $this->pos($state);
        $pull = $this->pull($state);

        return [
            'sheet_too_cold.0' => $hot < 0.2,
            'vacuum_weak.0' => $pull['reached'] < 0.8 * self::AIR_KPA * 0.75 && $state['leak_kpa_min'] < 30,
            'seal_leaks.0' => $state['leak_kpa_min'] > 30,
            'vents_blocked.0' => $state['vents'] < 0.5,
            'vacuum_slow.0' => $state['valve'] < 0.4,
            'tank_weak.0' => $state['tank'] < 0.9,
            'mould_too_cold.0' => $state['mould_k'] < -10,
            'draw_too_deep.0' => $state['draw'] > 2.2,
            'sheet_too_hot.0' => $defect === 'vac_thin_corners' ? $hot > 0.85 : $hot > 1.1,
            'sharp_corner.0' => $state['corner'] < 1,
            'no_prestretch.0' => false,
            'early_contact.0' => false,
            'heat_uneven.0' => $state['spread_k'] > 12,
            'moisture.0' => $state['water'] > 1.1,
            'heated_too_fast.0' => $this->facesK($state) > 20,
            'volatiles.0' => false,
            'dirty_sheet.0' => false,
            'cool_too_short.0' => $this->marginK($state) > 0,
            'cold_back_face.0' => false,
            'uneven_cooling.0' => $state['fan'] > 0.2,
            'thickness_uneven.0' => false,
            'cold_trim.0' => false,
        ];
    }

    /** @param  array<string, float>  $state */
    private function drinks(array $state): bool
    {
        return in_array(self::POLYMERS[(int) $state['polymer']], self::THIRSTY, true);
    }

    /** @param  array<string, float>  $state */
    private function sheet(array $state, bool $asPlanned = false): VacuumSheetResult
    {
        $heater = round($state['heater_c'] + ($asPlanned ? 0.0 : $state['heater_k']), 0);
        $code = self::POLYMERS[(int) $state['polymer']];
        $key = "{$code} {$state['sheet_mm']} {$heater} {$state['sides']}";
        if (! isset($this->sheets[$key])) {
            $sheet = $this->calculations->run('heat.vacuum_sheet', [
                'polymer' => $code,
                'thickness_mm' => $state['sheet_mm'],
                'initial_c' => 20.0,
                'ambient_c' => 22.0,
                'sides' => (int) $state['sides'],
                'heater_c' => $heater,
                'exchange' => 0.7,
            ]);
            assert($sheet instanceof VacuumSheetResult);
            $this->sheets[$key] = $sheet;
        }

        return $this->sheets[$key];
    }

    /**
     * The sheet when the heater leaves, by the curve up to where it would be ready; after that it heats on as it did
     * last.
     *
     * @param  array<string, float>  $state
     */
    private function point(array $state): SheetCurvePoint
    {
        $seconds = $state['heat'] * ($this->sheet($state, true)->ready_s ?? 60.0);
        $ready = $this->sheet($state)->ready_s ?? INF;
        $heating = array_values(array_filter(
            $this->sheet($state)->curve,
            static fn (SheetCurvePoint $p): bool => $p->time_s <= $ready,
        ));
        $last = count($heating) - 1;
        if ($seconds <= $heating[$last]->time_s) {
            foreach ($heating as $point) {
                if ($point->time_s >= $seconds) {
                    return $point;
                }
            }
        }
        [$before, $now] = [$heating[max(0, $last - 5)], $heating[$last]];
        $on = ($seconds - $now->time_s) / max(0.1, $now->time_s - $before->time_s);

        return new SheetCurvePoint(
            $seconds,
            $now->hottest_c + $on * ($now->hottest_c - $before->hottest_c),
            $now->mean_c + $on * ($now->mean_c - $before->mean_c),
            $now->coldest_c + $on * ($now->coldest_c - $before->coldest_c),
        );
    }

    /**
     * Where the sheet's mean lies in its window; where it is unevenly hot its hottest place counts for its corners.
     *
     * @param  array<string, float>  $state
     */
    private function pos(array $state): float
    {
        $sheet = $this->sheet($state);

        return ($this->point($state)->mean_c - $sheet->sheet_lower_c) / ($sheet->sheet_upper_c - $sheet->sheet_lower_c);
    }

    /** @param  array<string, float>  $state */
    private function hottest(array $state): float
    {
        return $this->point($state)->hottest_c;
    }

    /** @param  array<string, float>  $state */
    private function facesK(array $state): float
    {
        $point = $this->point($state);

        return $point->hottest_c - $point->coldest_c;
    }

    /**
     * What the box came to while the sheet could still be formed, kPa under the air, and how long it took to get to 80
     * % of that, s.
     *
     * @param  array<string, float>  $state
     * @return array{reached: float, rise_s: float}
     */
    private function pull(array $state): array
    {
        $deep = 0.88 * self::AIR_KPA * $state['tank'] * $state['pump'];
        $two = $this->calculations->run('vacuum.two_stage', [
            'box_l' => 20.0,
            'blower_kpa' => self::AIR_KPA - 15 * min(1.0, $state['pump'] + 0.1),
            'tank_l' => 120.0,
            'tank_kpa' => self::AIR_KPA - $deep,
            'atmosphere_kpa' => self::AIR_KPA,
            'blower_l_min' => 1200.0,
            'valve_l_min' => 4000.0 * $state['valve'],
        ]);
        assert($two instanceof TwoStageResult);
        $within = min(12.0, $this->sheet($state)->form_within_s ?? 8.0);
        $reached = 0.0;
        $after = $two->tank_opens_s ?? 0.0;
        $curve = array_map(
            static fn (object $p): array => [
                $p->time_s, self::AIR_KPA - $p->kpa - $state['leak_kpa_min'] * $p->time_s / 60,
            ],
            $two->curve,
        );
        foreach ($curve as [$t, $kpa]) {
            $reached = $t <= $after + 0.5 * $within ? max($reached, $kpa) : $reached;
        }
        foreach ($curve as [$t, $kpa]) {
            if ($kpa >= 0.8 * $reached) {
                return ['reached' => max(1.0, $reached), 'rise_s' => max(0.2, $t)];
            }
        }

        return ['reached' => max(1.0, $reached), 'rise_s' => 10.0];
    }

    /**
     * To what radius it goes into a corner, in thicknesses of the sheet.
     *
     * @param  array<string, float>  $state
     */
    private function radius(array $state): float
    {
        // Air that stays behind a blocked vent holds the sheet off there.
        $pull = $this->pull($state)['reached'] / (0.8 * self::AIR_KPA) * ($state['vents'] < 0.5 ? 0.3 : 1.0);

        return self::RADIUS * exp(-self::DECADE * ($this->pos($state) - 0.5)) / max(0.05, $pull);
    }

    /** @param  array<string, float>  $state */
    private function cornerShare(array $state): float
    {
        $sheet = $this->sheet($state);
        $wide = $sheet->sheet_upper_c - $sheet->sheet_lower_c;
        $uneven = $state['spread_k'] > 8 ? $state['spread_k'] / 2 / $wide : 0.0;
        $over = max(0.0, $this->pos($state) + $uneven - 0.6);

        return self::CORNER / $state['draw'] * min(1.0, $state['corner']) ** 0.4 * exp(-0.6 * $over);
    }

    /**
     * The part over what it may be taken off at, K: it cools by the first term of its series from where it was formed.
     *
     * @param  array<string, float>  $state
     */
    private function marginK(array $state): float
    {
        $release = $this->sheet($state)->sheet_lower_c - 45;
        [$from, $mould] = [$this->point($state)->mean_c, 45.0 + $state['mould_k']];
        $needs = log(($this->sheet($state)->sheet_normal_c - 45) / ($release - 45));

        return $mould + ($from - $mould) * exp(-$needs * $state['cool']) - $release;
    }
}
