<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\People\Models\User;
use App\Planning\Models\DayOff;
use App\Planning\Models\PlanWish;
use App\Planning\Models\PowerSupply;
use App\Planning\Models\Standstill;
use App\Planning\Support\WishKind;
use App\Runs\Queries\Makeable;
use App\Runs\Queries\ToMake;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Support\Seconds;
use Dithermic\Core\Schedule\BenchJob;
use Dithermic\Core\Schedule\RunJob;
use Illuminate\Database\Eloquent\Collection;

/** A day put as schedule.plan is asked: jobs, machines that stand here and when they are free, people, the supply. */
final readonly class DayAsk
{
    /** of a minute that an order is late against one that a shelf waits */
    private const WEIGHTS = ['order' => 10.0, 'shelf' => 1.0];

    /** what volts a heater draws its watts at, where a machine's amps are not known */
    private const VOLTS = 230.0;

    private const BENCH = 'bench';

    private const FOR_EVER = 100_000.0;

    /** a plan stays for so long, min */
    private const STEP_MIN = 5.0;

    /** of all runs, what is planned within the time that a screen waits */
    private const MOST_TASKS = 1500;

    public function __construct(private Makeable $makeable)
    {
    }

    /**
     * What schedule.plan is asked; null where nothing can be planned.
     *
     * @param  array<string, DayJob>  $jobs
     * @param  array<string, DayWork>  $works
     * @param  array<string, PlanWish>  $wishes
     * @param  list<array{person: User, from: float, to: float}>  $people
     * @param  Collection<int, Standstill>  $stand  by machine
     * @param  array<int, string>  $off  days on which nobody works, by how many days ahead
     * @return array<string, mixed>|null
     */
    public function of(
        array $jobs,
        array $works,
        array $wishes,
        array $people,
        Collection $stand,
        array $off,
        ?PowerSupply $supply,
        float $from,
        float $until,
        float $now,
    ): ?array {
        $minute = static fn (float $at): float => round(($at - $from) / 60, 2);
        // What is free now is free from the beginning; what comes later is told to five minutes, as a plan stays for so
        // long.
        $soonest = static fn (float $at): float => $at <= $now
            ? 0.0
            : self::STEP_MIN * ceil(max(0.0, ($at - $from) / 60) / self::STEP_MIN);
        $planned = [];
        $tasks = 0;
        uasort($jobs, static fn (DayJob $a, DayJob $b): int => ($a->demand->due ?? INF) <=> ($b->demand->due ?? INF));
        foreach ($jobs as $id => $job) {
            $making = $job->making;
            $wish = $wishes[$id] ?? null;
            if ($making->targets === null || $making->procedure === null || $making->main === null
                || $making->holds !== [] || $wish?->kind === WishKind::LeftOut) {
                continue;
            }
            $pinned = $wish?->start_at === null ? null : max($minute($now), $minute(Seconds::of($wish->start_at)));
            $asked = RunJob::of(
                $making->procedure,
                $making->targets,
                $making->pieces,
                $this->stations($making),
                self::station($making->main),
                self::setup($job->product, $job->product->polymer),
                [
                    'id' => $id,
                    'product' => $job->product->name,
                    'weight' => self::WEIGHTS[$job->order === null ? 'shelf' : 'order'],
                ]
                    + ($job->demand->due === null ? [] : ['due' => $minute($job->demand->due)])
                    + ($pinned === null ? [] : ['pinned_start' => $pinned]),
                $soonest($making->begins),
            );
            $tasks += $asked['pieces'] * count($asked['tasks']);
            if ($tasks > self::MOST_TASKS) {
                // What is due first is planned; a shop with so much to do plans the rest when that is done.
                break;
            }
            $planned[] = $asked;
        }
        $here = array_values(array_filter($people, static fn (array $p): bool => $p['to'] > $p['from']));
        // A bench for each: whoever is free can go there.
        $benches = array_map(static fn (int $i): string => self::BENCH.($i + 1), array_keys($here));
        foreach ($works as $id => $work) {
            if ($benches !== [] && $work->goods->can_finish > 0 && $work->goods->finish_people <= count($here)) {
                $planned[] = BenchJob::of($work->goods->piece_min, $work->goods->finish_people, $work->goods->can_finish, $benches, [
                    'id' => $id,
                    'product' => $work->goods->product,
                    'weight' => self::WEIGHTS[$work->due === null ? 'shelf' : 'order'],
                ] + ($work->due === null ? [] : ['due' => $minute($work->due)]));
            }
        }
        if ($planned === [] || $here === []) {
            return null;
        }
        $end = max(60.0, $minute($until));
        $free = $this->makeable->freeAt($now);
        $used = array_unique(array_merge(...array_map(
            static fn (array $job): array => array_merge(...array_map(
                static fn (array $t): array => array_column($t['stations'], 'station'),
                $job['tasks'],
            )),
            $planned,
        )));
        $stations = $this->makeable->standing()
            ->filter(static fn (Machine $m): bool => in_array(self::station($m), $used, true))
            ->map(static fn (Machine $m): array => [
                'id' => self::station($m),
                'kind' => $m->kind,
                'amps' => self::amps($m),
                'calendar' => self::around($soonest($free[$m->id] ?? $now), $stand->get($m->id), $minute),
            ]);

        $ahead = 1;
        while (isset($off[$ahead]) && $ahead < DayOff::AHEAD) {
            $ahead++;
        }
        $next = 1440.0 * $ahead;
        $stations = [...$stations->all(), ...array_map(
            static fn (string $bench): array => ['id' => $bench, 'kind' => 'bench'],
            array_values(array_intersect($benches, $used)),
        )];

        return [
            // A plan of five minutes ago is the plan still: nobody is told of a quarter of a minute, in the evening
            // either.
            'now' => self::STEP_MIN * floor(max(0.0, $minute($now)) / self::STEP_MIN),
            'horizon_end' => max($end, self::STEP_MIN * ceil($minute($now) / self::STEP_MIN)) + $next,
            'stations' => array_values($stations),
            'people' => array_map(static fn (array $p): array => [
                'id' => "p{$p['person']->id}",
                // What does not fit today is planned on the next day as on this one.
                'calendar' => [
                    [max(0.0, $minute($p['from'])), max(1.0, $minute($p['to']))],
                    [$minute($p['from']) + $next, $minute($p['to']) + $next],
                ],
            ], $here),
            'jobs' => $planned,
        ] + self::supply($supply);
    }

    /** @return array<string, array{phases: int, amps: float}> nothing where nobody has said what the wiring carries */
    public static function supply(?PowerSupply $supply): array
    {
        return $supply?->amps === null ? [] : ['supply' => ['phases' => $supply->phases, 'amps' => $supply->amps]];
    }

    /** @return array<string, string> what a machine is changed over to */
    public static function setup(Product $product, string $polymer): array
    {
        return array_filter([
            'polymer' => $polymer,
            'mould' => $product->mould_id === null ? null : (string) $product->mould_id,
        ], is_string(...));
    }

    public static function station(Machine $machine): string
    {
        return "m{$machine->id}";
    }

    /**
     * @param  callable(float): float  $minute
     * @return list<array{float, float}> when a machine works that stands for a while
     */
    private static function around(float $free, ?Standstill $stand, callable $minute): array
    {
        if ($stand === null) {
            return [[$free, self::FOR_EVER]];
        }
        [$from, $to] = [max(0.0, $minute(Seconds::of($stand->from_at))), $minute(Seconds::of($stand->to_at))];

        return [...($from > $free ? [[$free, $from]] : []), [max($free, $to, 0.0), self::FOR_EVER]];
    }

    public static function amps(Machine $machine): float
    {
        $watts = $machine->fact('heater_w') ?? 1000 * ($machine->fact('heater_kw') ?? 0.0);

        return round($machine->fact('amps') ?? $watts / self::VOLTS, 1);
    }

    /**
     * Machines that may take each place of its procedure: a press beside the main one may be any that fits.
     *
     * @return array<string, non-empty-list<string>>
     */
    private function stations(ToMake $making): array
    {
        $stations = [];
        foreach ($making->process->roles() as $role) {
            $chosen = $making->machines[$role->id] ?? null;
            if ($chosen === null || $making->procedure?->place($role->id) === null) {
                continue;
            }
            $others = $role->throughout || $chosen->is($making->main)
                ? []
                : $this->makeable->standing()
                    ->filter(static fn (Machine $m): bool => $role->takes($m->kind) && ! $m->is($chosen))
                    ->map(self::station(...))
                    ->values()
                    ->all();
            $stations[$role->id] = [self::station($chosen), ...$others];
        }

        return $stations;
    }
}
