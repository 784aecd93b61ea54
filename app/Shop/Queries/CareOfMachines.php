<?php

declare(strict_types=1);

namespace App\Shop\Queries;

use App\Shop\Data\CareData;
use App\Shop\Data\CareDoneData;
use App\Shop\Models\Care;
use App\Shop\Models\CareDone;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use App\Support\ShopClock;
use Dithermic\Core\Care\CareState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/** What of machines is to be looked after, and how far each is. */
final readonly class CareOfMachines
{
    private const LOG = 10;

    public function __construct(private ShopClock $clock)
    {
    }

    /** @return list<CareData> of one machine, what is due first; what came once and is done stays away */
    public function of(Machine $machine): array
    {
        return $this->list(Care::query()->standing()->where('machine_id', $machine->id));
    }

    /**
     * What is due or soon.
     *
     * @param  list<int>|null  $machines  null for all of the shop's
     * @return list<CareData>
     */
    public function due(?array $machines = null): array
    {
        $care = Care::query()->standing()
            ->when($machines !== null, static fn (Builder $q): Builder => $q->whereIn('machine_id', (array) $machines));

        return array_values(array_filter(
            $this->list($care),
            static fn (CareData $care): bool => $care->state !== CareState::Ok->value,
        ));
    }

    /**
     * @param  Builder<Care>  $care
     * @return list<CareData>
     */
    private function list(Builder $care): array
    {
        $order = [CareState::Due->value => 0, CareState::Soon->value => 1, CareState::Ok->value => 2];
        $standing = $care->with(['machine', 'by', 'done' => static fn ($done) => $done->limit(self::LOG), 'done.by'])
            ->orderBy('at')->get()
            ->reject(static fn (Care $one): bool => $one->interval()->isOnce() && $one->done->isNotEmpty());
        $made = $this->made($standing->whereNotNull('every_pieces')->modelKeys());
        $list = $standing->map(fn (Care $one): CareData => $this->data($one, $made[$one->id] ?? 0))->values()->all();
        usort($list, static fn (CareData $a, CareData $b): int => $order[$a->state] <=> $order[$b->state]);

        return $list;
    }

    private function data(Care $care, int $pieces): CareData
    {
        $last = $care->done->first();
        $since = $last->at ?? $care->at;
        $days = ($this->clock->now() - Seconds::of($since)) / 86400;

        return new CareData(
            $care->id,
            $care->machine_id,
            $care->machine->name,
            $care->title,
            $care->why,
            $care->every_days,
            $care->every_pieces,
            $care->interval()->state($last !== null, $days, $pieces)->value,
            $care->interval()->says($days, $pieces),
            $care->by->name,
            Seconds::of($care->at),
            array_values($care->done->map(
                static fn (CareDone $d): CareDoneData => new CareDoneData(Seconds::of($d->at), $d->by->name, $d->note),
            )->all()),
        );
    }

    /**
     * Pieces that ended on the machine since it was last looked after, and runs that were one pass.
     *
     * @param  array<string>  $care
     * @return array<string, int> by what is looked after
     */
    private function made(array $care): array
    {
        $since = Care::query()->whereKey($care)
            ->leftJoin('care_done', 'care_done.care_id', '=', 'care.id')
            ->groupBy('care.id')
            ->selectRaw('care.id, care.machine_id, coalesce(max(care_done.at), care.at) as since');
        $ended = DB::query()->fromSub($since, 'c')
            // Whose pieces ended since then began no longer before than any run takes.
            ->join('run_stations', static fn (JoinClause $on) => $on->on('run_stations.machine_id', '=', 'c.machine_id')
                ->whereRaw("run_stations.from_at > c.since - interval '30 days'"))
            ->join('runs', 'runs.id', '=', 'run_stations.run_id')
            ->leftJoin('pieces', 'pieces.run_id', '=', 'runs.id')
            // A piece has its own end, a run of one pass the run's; where neither has ended there is nothing to count.
            ->whereRaw('coalesce(pieces.ended_at, case when pieces.run_id is null then runs.ended_at end) > c.since');

        return $ended->groupBy('c.id')->selectRaw('c.id, count(*) as made')->pluck('made', 'id')
            ->map(static fn (mixed $made): int => (int) $made)->all();
    }
}
