<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Changeover\PurgeLeg;
use Dithermic\Core\Changeover\PurgeModel;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Change\Asks;
use Dithermic\Core\Process\Change\ChangePlan;
use Dithermic\Core\Process\Change\ChangeTask;
use Dithermic\Core\Process\Change\HandsAndWaits;
use Dithermic\Core\Process\Change\Hose;
use Dithermic\Core\Process\Change\Position;
use Dithermic\Core\Safety\MachineRules;

/**
 * From one job to the next on one machine, as one plan of everything against the waits: the dryer is switched on first,
 * the barrel heats while the mould is swapped, each leg of the purge comes at its own heat (changeover.purge), the
 * mould warms while the purgings are looked at.
 *
 * Masses by the washout law with what may be left by colour (changeover.sequence); heating by BarrelSteel; a mould with
 * heaters by its own steel and power. Positions come from the mould's measures alone. Where the two polymers must not
 * meet no purging may be passed over, and where there is no way at all there is no plan but to take it out cold.
 */
#[Calc(
    'plan.change',
    'from one job to the next: purge route, mould, water and first parts, in the order of hands and waits',
)]
final readonly class ChangePlanner
{
    private const ROOM_C = 20.0;

    /** usual minutes of hands, where nothing measures them */
    private const HOPPER_MIN = 5.0;

    private const FEED_TUBE_MIN = 2.0;

    private const DRYER_MIN = 3.0;

    private const WATER_OFF_MIN = 2.0;

    private const HOSE_MIN = 0.5;

    private const PROVE_MIN = 2.0;

    private const SETTINGS_MIN = 5.0;

    /** shot, looked at, weighed */
    private const JUDGE_MIN = 1.0;

    /** a barrel of a plunger filled, tamped and shot out */
    private const FILL_MIN = 6.0;

    private const HOT_RUNNER_MIN = 20.0;

    /** a mould whose heaters nobody has said */
    private const USUAL_MOULD_WARM_MIN = 20.0;

    /** a mould that was heated, by its own water until hands may go near its hoses; usual */
    private const MOULD_COOL_MIN = 10.0;

    /** under this a mould runs with what the room gives it, °C */
    private const NO_HEAT_C = 30.0;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(ChangeInput $in): ChangePlan
    {
        $model = new PurgeModel($this->polymers);
        $to = $model->polymer($in->to->polymer, 'to.polymer');
        if ($to->morphology() === null) {
            throw new InputError('to.polymer', 'is not identified: it does not go into a barrel');
        }
        $from = $in->from === null ? null : $model->polymer($in->from->polymer, 'from.polymer');
        foreach ($in->available ?? [] as $i => $code) {
            $model->polymer($code, "available.{$i}");
        }
        $danger = $from === null ? null : $model->danger($from->code, $to->code);
        $route = $model->route($from->code ?? $to->code, $to->code, $in->available);
        $fits = $in->mould_to === null
            ? null
            : (new Fits($this->polymers))(new FitsInput($in->machine, $in->mould_to, polymer: $to->code));
        $against = $fits === null ? [] : array_map(static fn (FitReason $r): string => $r->says, $fits->reasons);
        if ($route === null) {
            $stop = $model->noWay($from->code ?? $to->code, $to->code, $in->available !== null);

            return (new ChangePlan([], null, 0.0, 0.0, 0.0, [], 0.0, [], [], $stop, $against, []))->explain($stop);
        }
        [$now, $then] = [$in->from?->lightness, $in->to->lightness];
        $left = $from === null ? null : PurgeModel::residual(
            $from->code === $to->code,
            $now === null || $then === null ? 0.0 : $then - $now,
        );
        $volume = $in->machine->barrel_volume_cm3 ?? self::bore($in->machine);
        $tasks = [
            ...$this->drying($in),
            ...$this->barrel($in, $left === null ? [] : $route->legs, $left, $volume),
            ...$this->mould($in),
        ];
        $tasks = [...$tasks, ...$this->start($in, $tasks)];
        $order = new HandsAndWaits($tasks, $in->people);
        $scheduled = $order->schedule();
        $total = max([0.0, ...array_map(static fn (ChangeTask $t): float => $t->end_min, $scheduled)]);
        $purge = array_sum(array_map(static fn (ChangeTask $t): float => $t->mass_g ?? 0.0, $scheduled));
        $serial = array_sum(array_map(static fn (ChangeTask $t): float => $t->minutes, $scheduled));
        $plan = new ChangePlan(
            $scheduled,
            $total,
            round(
                array_sum(array_map(static fn (ChangeTask $t): float => $t->hands ? $t->minutes : 0.0, $scheduled)),
                2,
            ),
            round($serial, 2),
            round($order->bound(), 2),
            $left === null ? [$to->code] : $route->codes,
            round($purge, 1),
            self::swaps($in) ? self::positions($in->machine, $in->mould_to) : [],
            self::swaps($in) ? Hose::between($in->machine->circuits ?? 0, $in->mould_to->circuits ?? 0) : [],
            $danger,
            $against,
            $this->unknown($in, $fits->unknown ?? []),
            $in->in_dryer && $in->dry_min > 0 ? ['dry'] : [],
        );
        $plan->warn($in->people === 1 && array_filter($tasks, static fn (ChangeTask $t): bool => $t->people > 1) !== []
            ? 'The mould wants two persons or a hoist: fetch somebody before it hangs.' : null);

        return $plan->explain(sprintf(
            '%.0f min to the first good part, %.0f of them with your hands; one thing after the other it would be %.0f.%s',
            $total,
            $plan->hands_min,
            $serial,
            count($route->codes) > 2 && $left !== null
                ? ' Over '.implode(' and ', array_slice($route->codes, 1, -1)).', for the two do not meet.'
                : '',
        ));
    }

    /** @return list<ChangeTask> */
    private function drying(ChangeInput $in): array
    {
        if ($in->dry_min <= 0) {
            return [];
        }

        $dry = new ChangeTask(
            'dry',
            'It dries',
            'Leave it. It goes into the hopper last, and warm.',
            'Wet, it comes out brittle and with silver streaks.',
            false,
            round($in->dry_min, 1),
            $in->in_dryer ? [] : ['dryer'],
            polymer: $in->to->polymer,
        );

        return $in->in_dryer ? [$dry] : [
            new ChangeTask(
                'dryer',
                'Dryer on first',
                "{$in->to->polymer} into the dryer, lid shut, clock started.",
                'It takes the longest and wants nobody.',
                true,
                self::DRYER_MIN,
                polymer: $in->to->polymer,
            ),
            $dry,
        ];
    }

    /**
     * @param  list<PurgeLeg>  $legs  none where nothing has to be washed out
     * @return list<ChangeTask>
     */
    private function barrel(ChangeInput $in, array $legs, ?float $left, float $volume): array
    {
        $screw = $in->machine->hasScrew();
        $steel = new BarrelSteel($in->machine);
        $melt = $this->meltC($in);
        $tasks = [];
        $before = [];
        $now = $in->barrel_c;
        if ($legs !== []) {
            $tasks[] = new ChangeTask(
                'hopper',
                $screw ? 'Hopper clean' : 'Feed tube clean',
                $screw ? 'Slide shut, hopper empty, brushed and wiped, magnet too.' : 'Feed tube and funnel wiped out.',
                'One pellet of the last job is a speck in every tenth part.',
                true,
                $screw ? self::HOPPER_MIN : self::FEED_TUBE_MIN,
            );
            $before = ['hopper'];
        }
        foreach ($legs as $i => $leg) {
            $number = $i + 1;
            $last = $number === count($legs);
            $minutes = $steel->minutes($now, $leg->set_c);
            if ($minutes >= 0.5) {
                $tasks[] = self::heat(
                    "heat_{$number}",
                    $leg->set_c,
                    $minutes,
                    $i === 0 ? [] : $before,
                    $leg->set_c < $now,
                );
                $before[] = "heat_{$number}";
            }
            $cm3 = PurgeModel::volume($volume, $in->mixing, $last ? (float) $left : PurgeModel::RESIDUAL_PCT);
            $grams = $cm3 * $leg->density_g_cm3;
            $fills = (int) ceil($cm3 / max(1e-9, $volume));
            // What stays in the barrel is what the first parts are made of.
            $dry = $last && $in->dry_min > 0 ? ['dry'] : [];
            $tasks[] = new ChangeTask(
                "purge_{$number}",
                $last ? "Purge with {$leg->with}" : "Purge with {$leg->with} between",
                $screw
                    ? sprintf('Nozzle back from the mould. %.0f g through, slowly, until it comes clean. Look at every purging.', $grams)
                    : sprintf('%d barrels of it, each soaked and shot into the bucket, until it comes clean.', $fills),
                $leg->widened
                    ? 'Outside the usual window of one of them: quickly, air moving, and no pause.'
                    : 'It goes over gradually: what looks clean once is not clean yet.',
                true,
                $screw ? max(1.0, $cm3 / ($in->machine->throughput_cm3_min ?? 50.0)) : self::FILL_MIN * $fills,
                [...$before, ...$dry],
                front: true,
                late: true,
                asks: Asks::Purging,
                set_c: $leg->set_c,
                mass_g: round($grams, 1),
                polymer: $leg->with,
                caution: 'Guard shut, face shield on, nobody in front of the nozzle. The purging stays hot for minutes: into the bucket, under water.',
            );
            $before = ["purge_{$number}"];
            $now = $leg->set_c;
        }
        $minutes = $steel->minutes($now, $melt);
        if ($minutes >= 0.5) {
            $tasks[] = self::heat('zones', $melt, $minutes, $before, $melt < $now);
        }

        return $tasks;
    }

    /** @param  list<string>  $after */
    private static function heat(string $id, float $toC, float $minutes, array $after, bool $down): ChangeTask
    {
        return new ChangeTask(
            $id,
            sprintf('Barrel to %.0f °C', $toC),
            $down ? 'Zones down; nothing cools it but the room.' : 'Zones set. Log the coolest when it is there.',
            'Too cold it jams the screw, too hot it breaks down.',
            false,
            round($minutes, 1),
            $after,
            late: true,
            asks: Asks::Temperature,
            set_c: $toC,
        );
    }

    /** @return list<ChangeTask> */
    private function mould(ChangeInput $in): array
    {
        $old = $in->mould_from;
        $new = $in->mould_to;
        if (! self::swaps($in) || $new === null) {
            return [];
        }
        $tasks = [];
        $free = [];
        $half = $in->mould_min / 2;
        if ($old !== null) {
            $tasks[] = new ChangeTask(
                'water_off',
                'Water and heaters off',
                'Heaters and hot runner off; water on until it can be touched, then shut and blown out.',
                'Water in a mould that stands is rust; on a hot machine it is steam.',
                true,
                self::WATER_OFF_MIN,
                front: true,
            );
            $free = ['water_off'];
            if (($old->heater_kw ?? 0.0) > 0.0 || ($old->hot_runner_zones ?? 0) > 0) {
                $tasks[] = new ChangeTask(
                    'mould_cools', 'The old mould cools', 'Leave it. Everything else goes on.', 'Hot steel and hands.',
                    false, self::MOULD_COOL_MIN, $free,
                );
                $free = ['mould_cools'];
            }
            if (($old->circuits ?? 0) > 0) {
                $tasks[] = new ChangeTask(
                    'hoses_off',
                    'Hoses off',
                    'Each closed with its plug; tray underneath.',
                    'Drops on platens are rust on the next mould.',
                    true,
                    1 + 2 * self::HOSE_MIN * (float) $old->circuits,
                    $free,
                    front: true,
                );
                $free = ['hoses_off'];
            }
            $tasks[] = new ChangeTask(
                'mould_out',
                "{$old->name} out",
                'Closed, strapped, on the hook before the last clamp is loosened. Oiled, with its last good part, onto its shelf.',
                'What hangs on one clamp falls.',
                true,
                $half,
                $free,
                people: self::heavy($old) ? 2 : 1,
                front: true,
                caution: self::lifting($old),
            );
            $free = ['mould_out'];
        }
        $tasks[] = new ChangeTask(
            'mould_in',
            "{$new->name} in",
            'Platens wiped, ring into its seat, square, clamps on both sides; positions set before it closes by itself.',
            'A mould that hangs askew is damaged by its first closing.',
            true,
            $half,
            $free,
            people: self::heavy($new) ? 2 : 1,
            front: true,
            taps: array_map(
                static fn (Position $p): string => sprintf('%s %.0f mm', $p->name, $p->mm),
                self::positions($in->machine, $new),
            ),
            caution: self::lifting($new),
        );
        $warm = ['mould_in'];
        $hoses = Hose::between($in->machine->circuits ?? 0, $new->circuits ?? 0);
        if ($hoses !== []) {
            $tasks[] = new ChangeTask(
                'hoses_on',
                'Hoses on',
                'By the drawing, one by one; tap each as it is on.',
                'A circuit left out makes one half of the part warp.',
                true,
                1 + self::HOSE_MIN * count($hoses),
                ['mould_in'],
                front: true,
                asks: Asks::Ports,
                taps: array_map(static fn (Hose $h): string => $h->says, $hoses),
            );
            $tasks[] = new ChangeTask(
                'water_on',
                'Water runs',
                'Open, look for drops, feel each return: in and out logged.',
                'A loop is proved by its in and out, not by its hose.',
                true,
                self::PROVE_MIN,
                ['hoses_on'],
                asks: Asks::Water,
            );
            $warm = ['water_on'];
        }

        return [...$tasks, ...$this->warming($in, $new, $warm)];
    }

    /**
     * @param  list<string>  $after
     * @return list<ChangeTask>
     */
    private function warming(ChangeInput $in, MouldFacts $mould, array $after): array
    {
        $tasks = [];
        $want = $in->mould_c ?? 0.0;
        if ($want > self::NO_HEAT_C) {
            $known = $mould->mass_kg !== null && ($mould->heater_kw ?? 0.0) > 0.0;
            $tasks[] = new ChangeTask(
                'mould_warms',
                sprintf('Mould to %.0f °C', $want),
                'Heaters on. Touch it with the thermometer at the cavity, both halves.',
                'Watts and minutes say when to look; the thermometer says when it is so.',
                false,
                round($known
                    ? BarrelSteel::warm((float) $mould->mass_kg, $want - self::ROOM_C, (float) $mould->heater_kw)
                    : self::USUAL_MOULD_WARM_MIN, 1),
                $after,
                late: true,
                asks: Asks::Temperature,
                set_c: $want,
            );
        }
        if (($mould->hot_runner_zones ?? 0) > 0) {
            $tasks[] = new ChangeTask(
                'hot_runner',
                'Hot runner to its heat',
                sprintf('%d zones, low first until they are dry, then up.', $mould->hot_runner_zones),
                'Full power on a damp heater burns it through.',
                false,
                self::HOT_RUNNER_MIN,
                $after,
                late: true,
            );
        }

        return $tasks;
    }

    /**
     * @param  list<ChangeTask>  $before
     * @return list<ChangeTask>
     */
    private function start(ChangeInput $in, array $before): array
    {
        $awaited = array_merge(...array_map(static fn (ChangeTask $t): array => $t->after, $before), ...[[]]);
        $last = array_values(array_diff(array_map(static fn (ChangeTask $t): string => $t->id, $before), $awaited));

        return [
            new ChangeTask(
                'settings',
                'Set-up on the controller',
                'Shot, changeover, pressures and times from the plan; a photo of each page.',
                'What is only in the machine is gone with the next job.',
                true,
                self::SETTINGS_MIN,
                self::swaps($in) ? ['mould_in'] : [],
            ),
            new ChangeTask(
                'first_parts',
                'First parts',
                sprintf('%d that are judged beside the approved one; then it counts.', $in->first_parts),
                'The first few are the barrel and the mould finding their heat.',
                true,
                $in->first_parts * ($in->cycle_s / 60 + self::JUDGE_MIN),
                [...$last, 'settings'],
                front: true,
                asks: Asks::FirstParts,
                caution: 'Guard first. No hand behind the mould.',
            ),
        ];
    }

    private function meltC(ChangeInput $in): float
    {
        $window = $this->polymers->get($in->to->polymer)->meltWindow();

        return $in->to->melt_c ?? ($window === null
            ? throw new InputError('to.melt_c', "{$in->to->polymer} has no window for moulding: say at which heat it is worked")
            : ($window->min + $window->max) / 2);
    }

    private static function swaps(ChangeInput $in): bool
    {
        return $in->mould_to !== null && $in->mould_to->name !== $in->mould_from?->name;
    }

    private static function heavy(MouldFacts $mould): bool
    {
        return ($mould->mass_kg ?? 0.0) > MachineRules::BY_HAND_KG;
    }

    private static function lifting(MouldFacts $mould): string
    {
        return match (true) {
            $mould->mass_kg === null => 'Nobody has weighed it: lift nothing that you would not carry down a stair.',
            self::heavy($mould) => sprintf(
                '%.0f kg: hoist or two persons, nobody underneath. Machine off and locked.',
                $mould->mass_kg,
            ),
            default => sprintf('%.0f kg. Machine off and locked before hands go between the platens.', $mould->mass_kg),
        };
    }

    /** @return list<Position> what nobody has measured is left out */
    private static function positions(InjectorFacts $machine, ?MouldFacts $mould): array
    {
        if ($mould?->tool_height_mm === null) {
            return [];
        }
        $closed = $mould->tool_height_mm;
        $positions = [new Position(
            'closed',
            $closed,
            'the mould\'s height, from clamping face to clamping face',
            $closed >= ($machine->least_mould_mm ?? 0.0) && $closed <= ($machine->most_mould_mm ?? INF),
        )];
        if ($mould->opens_mm !== null) {
            $positions[] = new Position(
                'open',
                $closed + $mould->opens_mm,
                'its height and as far as the part wants',
                $mould->opens_mm <= ($machine->opening_mm ?? INF)
                    && $closed + $mould->opens_mm <= ($machine->daylight_mm ?? INF),
            );
        }
        if ($mould->ejection_mm !== null) {
            $positions[] = new Position(
                'ejector out',
                $mould->ejection_mm,
                'as far as its plate goes',
                $mould->ejection_mm <= ($machine->ejector_stroke_mm ?? INF),
            );
        }

        return $positions;
    }

    /** Of a barrel that does not say its volume: a plunger's is its bore; a screw's cannot be known from outside. */
    private static function bore(InjectorFacts $machine): float
    {
        if ($machine->hasScrew() || $machine->barrel_diameter_mm === null || $machine->barrel_length_mm === null) {
            throw new InputError(
                'machine.barrel_volume_cm3',
                "is not known of {$machine->name}: what it takes to wash it out hangs on it",
            );
        }

        return M_PI / 4 * $machine->barrel_diameter_mm ** 2 * $machine->barrel_length_mm / 1000;
    }

    /**
     * @param  list<string>  $unseen  of the mould in this machine
     * @return list<string>
     */
    private function unknown(ChangeInput $in, array $unseen): array
    {
        $swaps = self::swaps($in);

        return array_keys(array_filter([
            'how dark what is in the barrel is: it is washed out as if it were as dark' => $in->from !== null
                && ($in->from->lightness === null || $in->to->lightness === null),
            'the power and the steel of the barrel: it is taken to heat by 6 K a minute' => ! (new BarrelSteel($in->machine))->known(),
            'the mould\'s height: its positions are found by hand' => $swaps && $in->mould_to?->tool_height_mm === null,
            'the mould\'s mass: whether one person may lift it' => $swaps && $in->mould_to?->mass_kg === null,
            'the machine\'s water circuits: no hoses are drawn' => $swaps && ($in->mould_to->circuits ?? 0) > 0
                && $in->machine->circuits === null,
            'whether the mould fits by its '.str_replace('_', ' ', implode(', ', $unseen)) => $swaps && $unseen !== [],
        ]));
    }
}
