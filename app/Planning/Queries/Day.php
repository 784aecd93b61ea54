<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\People\Models\User;
use App\Planning\Data\DayData;
use App\Planning\Data\DayJobData;
use App\Planning\Data\DayOffData;
use App\Planning\Data\DayWorkData;
use App\Planning\Data\OrderData;
use App\Planning\Data\StandstillData;
use App\Planning\Models\DayOff;
use App\Planning\Models\DayPlanned;
use App\Planning\Models\PlanWish;
use App\Planning\Models\PowerSupply;
use App\Planning\Models\Presence;
use App\Planning\Models\Standstill;
use App\Planning\Support\WishKind;
use App\Planning\Support\WorkDay;
use App\Runs\Queries\Makeable;
use App\Shop\Data\GoodsData;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Queries\Goods;
use App\Support\Seconds;
use Dithermic\Core\Schedule\Hand;
use Dithermic\Core\Stock\Demand;

/**
 * The plan of a day: what orders and shelves want, on the machines that stand here, with the people who are here, by
 * schedule.plan. Times of the plan are minutes since the day began, so that one plan can stay near the one before.
 */
final readonly class Day
{
    public function __construct(
        private Goods $goods,
        private Orders $orders,
        private Makeable $makeable,
        private Spreads $spreads,
        private PlanKept $plans,
        private DayAsk $ask,
        private DayLanes $lanes,
    ) {
    }

    /**
     * @param  float  $from  beginning of the day's work, seconds since 1970 UTC
     * @param  float  $until  its end
     */
    public function of(float $from, float $until): DayData
    {
        $now = Seconds::now();
        $goods = $this->goods->all();
        $orders = $this->orders->open($goods);
        $wishes = $this->wishes($from);
        $off = DayOff::from($from);
        $people = $this->people($from, $until, isset($off[0]));
        $stand = WorkDay::of(Standstill::query(), $from)->get()->keyBy('machine_id')
            ->filter(static fn (Standstill $s): bool => $s->to_at > $s->from_at);
        $supply = PowerSupply::query()->orderByDesc('id')->first();
        $wanted = self::wanted($orders);
        $jobs = $this->jobs($goods, $orders, $wanted, $now);
        $works = DayWork::of($goods, $wanted);
        $asked = $this->ask->of($jobs, $works, $wishes, $people, $stand, $off, $supply, $from, $until, $now);
        [$result, $whatIf, $plannedAt, $moved] = $asked === null
            ? [[], [], $now, []]
            : $this->plans->of($from, $asked, $this->names($jobs, $works, $people));
        $placed = $result['tasks'] ?? [];
        $at = static fn (float $min): float => $from + 60 * $min;

        return new DayData(
            $now,
            $from,
            $until,
            $this->lanes->machines($placed, $jobs, $from, $until, $now),
            $this->lanes->people($people, $result['hands'] ?? [], self::named($works), $from),
            $this->told($jobs, $result, $wishes, $at),
            self::works($works, $result, $at),
            $orders,
            array_values($stand->map(static fn (Standstill $s): StandstillData => new StandstillData(
                $s->machine_id,
                Seconds::of($s->from_at),
                Seconds::of($s->to_at),
                $s->why,
            ))->all()),
            array_map(
                static fn (int $ahead, string $why): DayOffData => new DayOffData($from + 86_400 * $ahead, $why),
                array_keys($off),
                array_values($off),
            ),
            $moved,
            $whatIf,
            Hand::idle(array_values($result['hands'] ?? []), ($until - $from) / 60),
            (int) ($result['rings_at_once'] ?? 0),
            (float) ($result['supply_peak'] ?? 0.0),
            $supply?->amps,
            $supply->phases ?? 1,
            $plannedAt,
            (int) max([0, ...array_map(static fn (PlanWish $w): int => $w->id, array_values($wishes))]),
        );
    }

    /**
     * @param  list<OrderData>  $orders
     * @return array<int, list<array{id: string, count: int, due: float}>> by product
     */
    private static function wanted(array $orders): array
    {
        $by = [];
        foreach ($orders as $order) {
            $by[$order->product_id][] = ['id' => $order->id, 'count' => $order->count, 'due' => $order->due];
        }

        return $by;
    }

    /**
     * @param  list<GoodsData>  $goods
     * @param  list<OrderData>  $orders
     * @param  array<int, list<array{id: string, count: int, due: float}>>  $by  of these, by product
     * @return array<string, DayJob> by job
     */
    private function jobs(array $goods, array $orders, array $by, float $now): array
    {
        $numbers = array_column($orders, null, 'id');
        $demands = [];
        foreach ($goods as $g) {
            foreach (Demand::of($g->held + $g->to_finish, $g->reorder_at, $g->make_to, $by[$g->product_id] ?? []) as $demand) {
                $demands[] = [$g->product_id, $demand];
            }
        }
        $products = Product::query()->whereKey(array_column($demands, 0))->with('recipes')->get()->keyBy('id');
        $jobs = [];
        foreach ($demands as [$id, $demand]) {
            $product = $products->get($id);
            if ($product instanceof Product) {
                $order = $demand->order === null ? null : $numbers[$demand->order] ?? null;
                $jobs[$order === null ? "shelf-{$id}" : "order-{$order->number}"] = new DayJob(
                    $product,
                    $demand,
                    $this->makeable->of($product, $demand->count, $now),
                    $order,
                );
            }
        }

        return $jobs;
    }

    /** @return array<string, PlanWish> newest by job */
    private function wishes(float $from): array
    {
        return WorkDay::of(PlanWish::query(), $from)->get()->keyBy('job')->all();
    }

    /** @return list<array{person: User, from: float, to: float}> who works here, and from when to when today */
    private function people(float $from, float $until, bool $off): array
    {
        $said = WorkDay::of(Presence::query(), $from)->get()->keyBy('person_id');

        return array_values(User::query()->where('active', true)->orderBy('id')->get()->map(
            static fn (User $u): array => [
                'person' => $u,
                'from' => ($own = $said->get($u->id)) instanceof Presence ? Seconds::of($own->from_at) : $from,
                // Who says that they are here on a day off is.
                'to' => $own instanceof Presence ? Seconds::of($own->to_at) : ($off ? $from : $until),
            ],
        )->all());
    }

    /**
     * @param  array<string, DayJob>  $jobs
     * @param  array<string, DayWork>  $works
     * @param  list<array{person: User, from: float, to: float}>  $people
     * @return array<string, string> what jobs, machines and people are called, by id
     */
    private function names(array $jobs, array $works, array $people): array
    {
        return array_map(
            static fn (DayJob $job): string => $job->product->name
                .($job->order === null ? '' : " for order {$job->order->number}"),
            $jobs,
        ) + self::named($works) + $this->makeable->standing()->mapWithKeys(
            static fn (Machine $m): array => [DayAsk::station($m) => $m->name],
        )->all() + array_column(
            array_map(static fn (array $p): array => ["p{$p['person']->id}", $p['person']->name], $people),
            1,
            0,
        );
    }

    /**
     * @param  array<string, DayWork>  $works
     * @return array<string, string> what is done, and to what, by job
     */
    private static function named(array $works): array
    {
        return array_map(static fn (DayWork $work): string => $work->says(), $works);
    }

    /**
     * @param  array<string, DayWork>  $works
     * @param  array<string, mixed>  $result
     * @param  callable(float): float  $at
     * @return list<DayWorkData>
     */
    private static function works(array $works, array $result, callable $at): array
    {
        $spans = DayPlanned::spans($result['tasks'] ?? []);
        $told = [];
        foreach ($works as $id => $work) {
            [$starts, $ends] = isset($spans[$id]) ? array_map($at, $spans[$id]) : [null, null];
            $told[] = new DayWorkData(
                $id,
                $work->goods->product_id,
                $work->says(),
                $work->goods->to_finish,
                $work->goods->can_finish,
                round($work->goods->hands_min * $work->goods->can_finish, 1),
                $work->due,
                $starts,
                $ends,
                $work->goods->lacks,
            );
        }

        return $told;
    }

    /**
     * @param  array<string, DayJob>  $jobs
     * @param  array<string, mixed>  $result
     * @param  array<string, PlanWish>  $wishes
     * @param  callable(float): float  $at
     * @return list<DayJobData> as they end, then what is not in the plan
     */
    private function told(array $jobs, array $result, array $wishes, callable $at): array
    {
        $told = [];
        $spans = DayPlanned::spans($result['tasks'] ?? []);
        foreach ($jobs as $id => $job) {
            $told[] = $this->one(
                $id,
                $job,
                $result,
                $spans[$id] ?? null,
                ($wishes[$id]->kind ?? WishKind::Free)->value,
                $at,
            );
        }
        usort($told, static fn (DayJobData $a, DayJobData $b): int => [$a->ends ?? INF, $a->due ?? INF]
            <=> [$b->ends ?? INF, $b->due ?? INF]);

        return $told;
    }

    /**
     * @param  array<string, mixed>  $result
     * @param  array{float, float}|null  $span  of it in the plan
     * @param  callable(float): float  $at
     */
    private function one(string $id, DayJob $job, array $result, ?array $span, string $wish, callable $at): DayJobData
    {
        $late = array_column($result['late'] ?? [], null, 'job')[$id] ?? null;
        $impossible = array_column($result['impossible'] ?? [], 'says', 'job')[$id] ?? null;
        $making = $job->making;
        [$starts, $ends, $from, $to] = [null, null, null, null];
        $spread = $this->spreads->of($job->product->id);
        if ($span !== null) {
            [$starts, $ends] = array_map($at, $span);
            $whole = 60 * ($making->length()?->whole($making->pieces) ?? 0.0);
            $from = $ends + ($spread->least - 1) * $whole;
            $to = $ends + ($spread->most - 1) * $whole;
        }

        return new DayJobData(
            $id,
            $job->product->id,
            $job->product->name,
            $job->product->polymer,
            $job->demand->count,
            $making->pieces,
            $making->process->counts(),
            $making->procedure?->pieceName() ?? 'piece',
            $job->order?->number,
            $job->demand->due,
            $making->main?->name,
            $making->lot?->code,
            $starts,
            $ends,
            $from,
            $to,
            $spread->isKnown() ? $spread->runs : 0,
            (float) ($late['minutes'] ?? 0.0),
            array_values($late['because'] ?? []),
            $making->first,
            $impossible === null ? $making->holds : [...$making->holds, (string) $impossible],
            $wish,
        );
    }
}
