<?php

declare(strict_types=1);

namespace App\Shop\Queries;

use App\Runs\Models\RunStation;
use App\Shop\Data\CareData;
use App\Shop\Data\CareDoneData;
use App\Shop\Models\Care;
use App\Shop\Models\CareDone;
use App\Shop\Models\Machine;
use App\Support\Present;
use App\Support\ShopClock;
use Carbon\CarbonImmutable;
use Dithermic\Core\Care\CareState;
use Illuminate\Database\Eloquent\Builder;

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
        $list = [];
        foreach ($care->with(['machine', 'by', 'done.by'])->orderBy('at')->get() as $one) {
            if (! $one->interval()->isOnce() || $one->done->isEmpty()) {
                $list[] = $this->data($one);
            }
        }
        usort($list, static fn (CareData $a, CareData $b): int => $order[$a->state] <=> $order[$b->state]);

        return $list;
    }

    private function data(Care $care): CareData
    {
        $last = $care->done->first();
        $since = $last->at ?? $care->at;
        $days = ($this->clock->now() - Present::time($since)) / 86400;
        $pieces = $care->every_pieces === null ? 0 : $this->madeSince($care->machine_id, $since);

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
            Present::time($care->at),
            array_values($care->done->take(self::LOG)->map(
                static fn (CareDone $d): CareDoneData => new CareDoneData(Present::time($d->at), $d->by->name, $d->note),
            )->all()),
        );
    }

    /** Pieces that ended on it, and runs that were one pass. */
    private function madeSince(int $machine, CarbonImmutable $since): int
    {
        $runs = RunStation::query()->where('machine_id', $machine)
            ->join('runs', 'runs.id', '=', 'run_stations.run_id')
            ->where(static fn ($q) => $q->whereNull('runs.ended_at')->orWhere('runs.ended_at', '>', $since));
        $pieces = (clone $runs)->join('pieces', 'pieces.run_id', '=', 'runs.id')->where('pieces.ended_at', '>', $since);
        $single = (clone $runs)->where('runs.ended_at', '>', $since)
            ->whereNotExists(static fn ($q) => $q->from('pieces')->whereColumn('pieces.run_id', 'runs.id'));

        return $pieces->count() + $single->count();
    }
}
