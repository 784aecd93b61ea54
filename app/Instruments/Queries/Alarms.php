<?php

declare(strict_types=1);

namespace App\Instruments\Queries;

use App\Instruments\Data\AlarmData;
use App\Instruments\Models\Alarm;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use App\Support\ShopClock;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/** Alarms: those that want somebody now, and those of a machine or a run. */
final readonly class Alarms
{
    private const NEWEST = 30;

    /** what came and went unseen is told for so long, h */
    private const UNSEEN_H = 12;

    public function __construct(private ShopClock $clock)
    {
    }

    /** @return list<AlarmData> longest standing first */
    public function open(): array
    {
        $alarms = Alarm::query()->open($this->clock->moment()->subHours(self::UNSEEN_H));

        return $this->list($alarms->orderByRaw('ended_at is not null')->orderBy('began_at')->limit(self::NEWEST));
    }

    /** @return list<AlarmData> newest first */
    public function of(Machine $machine): array
    {
        return $this->list(Alarm::query()
            ->whereHas('channel', static fn (Builder $channel) => $channel->where('machine_id', $machine->id))
            ->orderByDesc('began_at')
            ->limit(self::NEWEST));
    }

    /** @return list<AlarmData> of the whole shop, newest first */
    public function since(CarbonImmutable $began): array
    {
        return $this->list(
            Alarm::query()->where('began_at', '>=', $began)->orderByDesc('began_at')->limit(self::NEWEST),
        );
    }

    /** @return list<AlarmData> all of them, as they came */
    public function ofRun(string $run): array
    {
        return $this->list(Alarm::query()->where('run_id', $run)->orderBy('began_at'));
    }

    /**
     * @param  Builder<Alarm>  $alarms
     * @return list<AlarmData>
     */
    private function list(Builder $alarms): array
    {
        return array_values($alarms->with(['channel.machine', 'person'])->get()->map(
            static fn (Alarm $a): AlarmData => new AlarmData(
                $a->id,
                $a->channel->machine_id,
                $a->channel->machine->name,
                $a->channel->key,
                $a->run_id,
                $a->kind->value,
                $a->kind->says($a->value, $a->bound, $a->channel->unit),
                Seconds::of($a->began_at),
                $a->ended_at === null ? null : Seconds::of($a->ended_at),
                $a->person?->name,
                $a->answered_at === null ? null : Seconds::of($a->answered_at),
                $a->note,
            ),
        )->all());
    }
}
