<?php

declare(strict_types=1);

namespace App\Instruments\Support;

use App\Instruments\Models\Alarm;
use App\Instruments\Models\Channel;
use App\Runs\Models\Run;
use App\Runs\Models\RunStation;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use App\Support\ShopClock;
use Dithermic\Core\Instrument\Turn;
use Dithermic\Core\Instrument\Watch;
use Dithermic\Core\Instrument\Watched;
use Dithermic\Core\Run\RunState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Watches channels: as readings come, and as time goes by without any. Alarms that begin and end are kept. */
final readonly class Watching
{
    public function __construct(private ShopClock $clock, private Calibrations $calibrations)
    {
    }

    /**
     * New readings of channels that are locked.
     *
     * @param  Collection<int, Channel>  $channels
     * @param  array<int, list<array{float, float}>>  $read  by channel: seconds since 1970 and value as sent, in order of time
     */
    public function take(Collection $channels, array $read): void
    {
        $runs = $this->runs($channels);
        $offsets = $this->calibrations->of($channels->modelKeys());
        foreach ($channels as $channel) {
            $held = $runs[$channel->machine_id] ?? null;
            $run = $held?->run;
            $watch = $channel->folded();
            $turns = $this->turn($channel, $watch, $held);
            $limits = $channel->limits();
            $window = $watch->since() !== null ? $limits->window($run->plan ?? []) : null;
            foreach ($read[$channel->id] ?? [] as [$at, $value]) {
                $true = $value + ($offsets[$channel->id] ?? new Offsets)->at($at);
                array_push($turns, ...$watch->take($limits, $window, $at, $true));
            }
            $newest = $read[$channel->id] ?? [];
            $last = end($newest);
            if ($last !== false && $last[0] >= ($watch->lastAt() ?? 0.0)) {
                $channel->last_at = Seconds::moment($last[0]);
                $channel->last_value = $last[1];
            }
            $this->keep($channel, $watch, $turns, $run);
        }
        $this->write($channels);
    }

    /** Time has gone by: what should speak and does not, what is watched no longer. */
    public function look(): void
    {
        DB::transaction(function (): void {
            $channels = Channel::query()->where('watched', '<>', Watched::Never)->orderBy('id')->lockForUpdate()->get();
            $retired = Machine::query()->whereNotNull('retired_at')->pluck('id');
            $runs = $this->runs($channels);
            foreach ($channels as $channel) {
                $held = $runs[$channel->machine_id] ?? null;
                $run = $held?->run;
                $watch = $channel->folded();
                // A machine that is out of use may be silent.
                $turns = $retired->contains($channel->machine_id)
                    ? $watch->end($this->clock->now())
                    : $this->turn($channel, $watch, $held);
                array_push($turns, ...$watch->look($channel->limits(), $this->clock->now()));
                $this->keep($channel, $watch, $turns, $run);
            }
            $this->write($channels);
        });
    }

    /** Its limits are others now, or its readings mean something else: it is watched anew. */
    public function anew(Channel $channel): void
    {
        $watch = $channel->folded();
        $turns = $watch->end($this->clock->now());
        if ($channel->watched === Watched::Always) {
            $watch->begin($this->clock->now());
        }
        $this->keep($channel, $watch, $turns, null);
        $channel->save();
    }

    /**
     * Begins or ends the watch of a channel, as its machine is in a run or not.
     *
     * @return list<Turn>
     */
    private function turn(Channel $channel, Watch $watch, ?RunStation $held): array
    {
        $since = match ($channel->watched) {
            Watched::Never => null,
            Watched::Always => $this->clock->now(),
            Watched::Run => $held?->from_at === null ? null : Seconds::of($held->from_at),
        };
        if ($since === null) {
            return $watch->end($this->clock->now());
        }
        // The next run on a machine is another run, however soon it came.
        $another = $channel->watched === Watched::Run && $watch->since() !== null && $watch->since() < $since;
        $turns = $another ? $watch->end($since) : [];
        $watch->begin($since);

        return $turns;
    }

    /** @param  list<Turn>  $turns */
    private function keep(Channel $channel, Watch $watch, array $turns, ?Run $run): void
    {
        foreach ($turns as $turn) {
            if ($turn->begins) {
                Alarm::query()->create([
                    'id' => (string) Str::uuid7(),
                    'channel_id' => $channel->id,
                    'run_id' => $run?->id,
                    'kind' => $turn->kind,
                    'value' => $turn->value,
                    'bound' => $turn->limit,
                    'began_at' => Seconds::moment($turn->at),
                ]);

                continue;
            }
            Alarm::query()->where('channel_id', $channel->id)
                ->where('kind', $turn->kind)
                ->whereNull('ended_at')
                ->update(['ended_at' => DB::raw(
                    "greatest(began_at, '".Seconds::moment($turn->at)->format('Y-m-d H:i:s.vP')."'::timestamptz)",
                )]);
        }
        if ($watch->kept() !== $channel->folded()->kept()) {
            $channel->watch = $watch->kept();
        }
    }

    /**
     * What is known of channels now, all in one statement: a machine has up to sixty, and each batch moves most of
     * them.
     *
     * @param  Collection<int, Channel>  $channels  locked
     */
    private function write(Collection $channels): void
    {
        $changed = $channels->filter(static fn (Channel $channel): bool => $channel->isDirty());
        if ($changed->isEmpty()) {
            return;
        }
        DB::update(
            'update channels set watch = now.watch, last_at = now.last_at, last_value = now.last_value
            from jsonb_to_recordset(?::jsonb) as now(id bigint, watch jsonb, last_at timestamptz(3), last_value double precision)
            where channels.id = now.id',
            [$changed->map(static fn (Channel $channel): array => [
                'id' => $channel->id,
                'watch' => (object) $channel->watch,
                'last_at' => $channel->getAttributes()['last_at'],
                'last_value' => $channel->last_value,
            ])->values()->toJson(JSON_THROW_ON_ERROR)],
        );
        $changed->each->syncOriginal();
    }

    /**
     * @param  Collection<int, Channel>  $channels
     * @return array<int, RunStation> where their machines stand in a run now, by machine
     */
    private function runs(Collection $channels): array
    {
        $watched = $channels->where('watched', Watched::Run)->pluck('machine_id')->unique();
        if ($watched->isEmpty()) {
            return [];
        }

        return RunStation::query()
            ->whereIn('machine_id', $watched)
            ->whereNotNull('from_at')
            ->whereNull('to_at')
            ->whereHas('run', static fn (Builder $run) => $run->where('status', RunState::RUNNING))
            ->with('run:id,plan')
            ->orderBy('from_at')
            ->get()
            ->keyBy('machine_id')
            ->all();
    }
}
