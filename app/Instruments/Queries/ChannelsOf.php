<?php

declare(strict_types=1);

namespace App\Instruments\Queries;

use App\Instruments\Data\ChannelData;
use App\Instruments\Data\ChannelEntryData;
use App\Instruments\Models\Channel;
use App\Instruments\Models\ChannelEntry;
use App\Instruments\Support\Calibrations;
use App\Instruments\Support\ChannelEntryKind;
use App\Instruments\Support\Offsets;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Instrument\AlarmKind;
use Dithermic\Core\Instrument\Limits;
use Dithermic\Core\Instrument\Watched;
use Dithermic\Core\Process\Processes;

/** The channels of a machine with what was said of each. */
final readonly class ChannelsOf
{
    private const LOG = 10;

    public function __construct(private Calibrations $calibrations, private Processes $processes)
    {
    }

    /** @return list<ChannelData> by name */
    public function of(Machine $machine): array
    {
        $channels = Channel::query()->where('machine_id', $machine->id)->with('log.by')->orderBy('key')->get();
        $offsets = $this->calibrations->of($channels->modelKeys());

        return array_values($channels->map(function (Channel $channel) use ($offsets, $machine): ChannelData {
            $at = $channel->last_at === null ? null : Seconds::of($channel->last_at);
            $found = $offsets[$channel->id] ?? new Offsets;
            $calibrated = $channel->log->last(
                static fn (ChannelEntry $e): bool => $e->kind === ChannelEntryKind::Calibrated,
            );
            $limits = $channel->limits();

            return new ChannelData(
                $channel->id,
                $channel->key,
                $channel->unit,
                $at === null ? null : round((float) $channel->last_value + $found->at($at), 6),
                $at,
                $found->at(INF),
                $calibrated === null ? null : Seconds::of($calibrated->at),
                $limits->watched->value,
                $limits->low,
                $limits->high,
                $limits->follows,
                $this->mayFollow($machine->kind, $channel->unit),
                $limits->delayS,
                $limits->silentS,
                $limits->perMin,
                $limits->says($channel->unit),
                array_map(static fn (AlarmKind $kind): string => $kind->value, $channel->folded()->standing()),
                (int) $channel->log->max('id'),
                $this->log($channel),
            );
        })->all());
    }

    /** @return list<string> numbers of the plans that a kind of machine has a place in */
    private function mayFollow(string $kind, string $unit): array
    {
        $names = [];
        foreach ($this->processes->all() as $process) {
            if ($unit !== '' && $process->takes($kind)) {
                array_push($names, ...$process->numbersIn($unit));
            }
        }

        return array_values(array_unique($names));
    }

    /** @return list<ChannelEntryData> */
    private function log(Channel $channel): array
    {
        return array_values($channel->log->reverse()->take(self::LOG)->map(
            static fn (ChannelEntry $e): ChannelEntryData => new ChannelEntryData(
                $e->kind->value,
                self::says($e, $channel->unit),
                $e->note,
                $e->by?->name,
                Seconds::of($e->at),
            ),
        )->all());
    }

    private static function says(ChannelEntry $entry, string $unit): string
    {
        $said = new Record($entry->said);
        if ($entry->kind === ChannelEntryKind::Calibrated) {
            return rtrim(
                sprintf('%s where %s is right', $said->number('shown', 0.0), $said->number('true', 0.0)).' '.$unit,
            );
        }

        return (new Limits(
            Watched::from($said->text('watched')),
            $said->mayNumber('low'),
            $said->mayNumber('high'),
            $said->mayText('follows'),
            $said->number('delay_s'),
            $said->mayNumber('silent_s'),
            $said->mayNumber('per_min'),
        ))->says($unit);
    }
}
