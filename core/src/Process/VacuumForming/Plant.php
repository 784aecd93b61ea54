<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Heat\Sheet\VacuumSheetResult;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Observed;
use Dithermic\Core\Practice\Plant as Machine;
use Dithermic\Core\Practice\Warming;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Step;
use Dithermic\Core\Vacuum\TwoStageResult;

/**
 * A former with a heater that is not what its plate says, one zone colder than the others, and a box that leaks a
 * little. When a sheet is ready, and when it is spoilt, is heat.vacuum_sheet under that heater; the pull is
 * vacuum.two_stage through hoses of its own, with the seal made when the hands have made it. The wall is the
 * forecast's, thinned where the sheet was hotter.
 */
final class Plant implements Machine
{
    /** what hands take from the heater's leaving to the seal, s */
    private const SEAL_S = [1.2, 3.5];

    private const GAUGE_HZ = 10;

    private const GAUGE_NOISE_KPA = 0.25;

    /** the gauge runs before the pull and after it, s */
    private const AROUND_S = [1.5, 20.0];

    /** elements and their bricks come up by this lag, s */
    private const HEATER_LAG_S = 200.0;

    private const HEATER_NOISE_K = 1.5;

    /** a sheet is under it for a minute or two, s */
    private const HEATER_EVERY_S = 2.0;

    /** @var list<array{at: float, seal: float, leak: float}> pulls so far */
    private array $pulls = [];

    /** @var array<int, float> how far the sheet was over or under its best, in shares of the heating, by part */
    private array $over = [];

    /** @var array<int, float> when each part sealed after its go, s */
    private array $seals = [];

    private readonly Record $targets;

    private readonly ?VacuumSheetResult $truth;

    /**
     * @param  array<string, float|null>  $settings  of the plan
     * @param  array<string, float|int|string|null>  $targets  of the plan
     * @param  float  $heaterK  what the heater is over its plate
     * @param  float  $unevenPct  how much thinner the wall is at the corner that is heated most
     * @param  float  $leakKpaMin  of the box
     */
    public function __construct(
        private readonly Registry $calculations,
        private readonly Dice $dice,
        private readonly string $polymer,
        private readonly array $settings,
        array $targets,
        private readonly FormerFacts $former,
        private readonly float $solidGCm3,
        private readonly float $meanWallMm,
        private readonly float $heaterK,
        private readonly float $unevenPct,
        private readonly float $leakKpaMin,
    ) {
        $this->targets = new Record($targets);
        $this->truth = $this->sheet();
    }

    public function seen(Step $step, ?int $piece, float $began, float $now): array
    {
        if ($step->id === 'heat' && $piece !== null) {
            $ready = $this->truth?->ready_s;
            $this->over[$piece] = $ready === null ? 0.0 : ($now - $began) / $ready - 1;
        }
        if ($step->id === 'go') {
            $this->pulls[] = [
                'at' => $now,
                'seal' => $this->dice->between(...self::SEAL_S),
                'leak' => max(0.0, $this->dice->normal($this->leakKpaMin, 0.3 * $this->leakKpaMin)),
            ];
        }

        return match ($step->id) {
            'seal_test' => [new Observed('seal', ['verdict' => 'holds'], 20)],
            'clamp' => [
                new Observed('sheet', ['mass_g' => round($this->sheetG() * $this->dice->normal(1, 0.004), 1)], 15),
            ],
            'judge' => $piece === null ? [] : $this->judge($piece),
            default => [],
        };
    }

    /** Nothing is asked again and again of it. */
    public function reminded(string $entry, ?int $piece): ?Observed
    {
        return null;
    }

    public function readings(float $from, float $to): array
    {
        $readings = $this->heater($from, $to, $from);
        foreach ($this->pulls as $pull) {
            array_push($readings, ...$this->gauge($pull['at'], $pull['seal'], $pull['leak']));
        }

        return $readings;
    }

    public function live(RunState $state, float $from, float $to): array
    {
        $readings = isset($state->done['off'])
            ? []
            : $this->heater($from, $to, $state->beganAt(), self::HEATER_EVERY_S);
        foreach ($state->pieces as $piece) {
            $go = $piece->done['go']['at'] ?? null;
            if ($go === null || $go + self::AROUND_S[1] + self::SEAL_S[1] < $from || $go - self::AROUND_S[0] > $to) {
                continue;
            }
            $this->seals[(int) $piece->piece] ??= $this->dice->between(...self::SEAL_S);
            array_push($readings, ...$this->gauge($go, $this->seals[(int) $piece->piece], $this->leakKpaMin));
        }

        return array_values(array_filter(
            $readings,
            static fn (array $r): bool => $r['at'] >= $from && $r['at'] < $to,
        ));
    }

    /** @return list<array{at: float, place: string, channel: string, value: float}> */
    private function heater(float $from, float $to, float $since, float $everyS = 60.0): array
    {
        return $this->former->heater_c === null ? [] : Warming::readings(
            $this->dice,
            $this->former->heater_c + $this->heaterK,
            self::HEATER_LAG_S,
            self::HEATER_NOISE_K,
            $from,
            $to,
            $since,
            'former',
            'heater_c',
            $everyS,
        );
    }

    /** @return list<array{at: float, place: string, channel: string, value: float}> */
    private function gauge(float $at, float $seal, float $leak): array
    {
        $air = $this->former->atmosphere_kpa;
        $curve = $this->pull();
        if ($curve === []) {
            return [];
        }
        $ends = end($curve);
        $readings = [];
        for ($i = 0; $i < self::GAUGE_HZ * (array_sum(self::AROUND_S) + $seal); $i++) {
            $t = $i / self::GAUGE_HZ - self::AROUND_S[0];
            $since = $t - $seal;
            $kpa = $since <= 0 ? $air : self::between($curve, $since);
            if ($since > $ends[0]) {
                $kpa += $leak * ($since - $ends[0]) / 60;
            }
            $readings[] = [
                'at' => $at + $t,
                'place' => 'former',
                'channel' => 'vacuum_kpa',
                'value' => round(min($air, $kpa) + $this->dice->normal(0, self::GAUGE_NOISE_KPA), 2),
            ];
        }

        return $readings;
    }

    /** @return list<array{float, float}> seconds from the seal, kPa */
    private function pull(): array
    {
        $f = $this->former;
        if ($f->box_l === null || $f->tank_l === null || $f->tank_kpa === null || $f->blower_kpa === null) {
            return [];
        }
        $two = $this->calculations->run('vacuum.two_stage', [
            'box_l' => $f->box_l,
            'blower_kpa' => $f->blower_kpa,
            'tank_l' => $f->tank_l,
            'tank_kpa' => $f->tank_kpa,
            'atmosphere_kpa' => $f->atmosphere_kpa,
            // A box is drawn by its blower in about two seconds, and by its tank through a hose in half of one.
            'blower_l_min' => 60 * $f->box_l,
            'valve_l_min' => 200 * $f->box_l,
        ]);
        assert($two instanceof TwoStageResult);

        return array_map(static fn (object $p): array => [$p->time_s, $p->kpa], $two->curve);
    }

    /** @param  non-empty-list<array{float, float}>  $curve */
    private static function between(array $curve, float $t): float
    {
        $before = $curve[0];
        foreach ($curve as $point) {
            if ($point[0] >= $t) {
                $span = $point[0] - $before[0];

                return $span <= 0 ? $point[1] : $before[1] + ($point[1] - $before[1]) * ($t - $before[0]) / $span;
            }
            $before = $point;
        }

        return $before[1];
    }

    private function sheet(): ?VacuumSheetResult
    {
        if ($this->former->heater_c === null) {
            return null;
        }
        $sheet = $this->calculations->run('heat.vacuum_sheet', [
            'polymer' => $this->polymer,
            'thickness_mm' => $this->settings['sheet_mm'],
            'initial_c' => $this->settings['initial_c'] ?? 20.0,
            'ambient_c' => $this->settings['ambient_c'] ?? 20.0,
            'sides' => $this->former->sides,
            'heater_c' => $this->former->heater_c + $this->heaterK,
            'exchange' => $this->former->exchange ?? 0.7,
        ]);
        assert($sheet instanceof VacuumSheetResult);

        return $sheet;
    }

    /** @return list<Observed> */
    private function judge(int $piece): array
    {
        $over = $this->over[$piece] ?? 0.0;
        $spoilt = $this->truth?->limit_s !== null && $this->truth->ready_s !== null
            && $over > $this->truth->limit_s / $this->truth->ready_s - 1;
        $stiff = $over < -0.12;
        $thin = $this->targets->number('thinnest_mm', 0.0) * (1 - $this->unevenPct / 100) * (1 - 0.4 * max(0.0, $over));
        $walls = [
            'corner_mm' => round($thin * $this->dice->normal(1, 0.03), 2),
            'side_mm' => round($this->meanWallMm * $this->dice->normal(1, 0.03), 2),
            'bottom_mm' => round($this->meanWallMm * $this->dice->normal(1.05, 0.03), 2),
        ];
        // The thinnest corner lies under the zone that heats most, at the front left; the others are as foretold.
        $even = $walls['corner_mm'] / (1 - $this->unevenPct / 100);
        $gauge = new Dice($piece);
        $corners = ['front_left_mm' => $walls['corner_mm']] + array_map(
            static fn (): float => round($even * $gauge->normal(1, 0.01), 2),
            array_fill_keys(['front_right_mm', 'back_left_mm', 'back_right_mm'], 0),
        );
        $least = $this->targets->mayNumber('least_wall_mm');
        $why = match (true) {
            $spoilt => 'blisters, heated too long',
            $stiff => 'not sharp, heated too short',
            $least !== null && min($walls) < $least => 'corner too thin',
            default => null,
        };
        $seen = [];
        if ($spoilt || $stiff) {
            $seen[] = new Observed('cue', ['what' => $spoilt ? 'blisters' : 'not sharp'], 5);
        }
        if ($why !== null || $piece % 2 === 1) {
            $seen[] = new Observed('walls', $walls, $this->dice->between(30, 70));
            $seen[] = new Observed('corners', $corners, 20);
        }
        $seen[] = new Observed('disposition', $why === null
            ? ['verdict' => 'good']
            : ['verdict' => 'scrap', 'reason' => $why], 5);

        return $seen;
    }

    private function sheetG(): float
    {
        $cm3 = $this->targets->number('blank_length_mm', 0.0) * $this->targets->number('blank_width_mm', 0.0) * $this->targets->number('sheet_mm', 0.0) / 1000;

        return $cm3 * $this->solidGCm3;
    }
}
