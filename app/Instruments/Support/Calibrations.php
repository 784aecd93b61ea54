<?php

declare(strict_types=1);

namespace App\Instruments\Support;

use App\Instruments\Models\Channel;
use App\Instruments\Models\ChannelEntry;
use App\Support\Seconds;
use Illuminate\Database\Eloquent\Builder;

/** What channels were found to be off by. A reading stays as it was sent; what it means is asked here. */
final readonly class Calibrations
{
    /**
     * @param  array<array-key, int>  $channels
     * @return array<int, Offsets> by channel; those that nobody has checked are not in it
     */
    public function of(array $channels): array
    {
        if ($channels === []) {
            return [];
        }

        return ChannelEntry::query()
            ->whereIn('channel_id', $channels)
            ->where('kind', ChannelEntryKind::Calibrated)
            ->orderBy('id')
            ->get()
            ->groupBy('channel_id')
            ->map(static fn ($log): Offsets => new Offsets(array_values($log->map(
                static fn (ChannelEntry $e): array => [Seconds::of($e->at), (float) ($e->said['offset'] ?? 0.0)],
            )->all())))
            ->all();
    }

    /**
     * @param  list<int>  $machines
     * @return array<int, array<string, Offsets>> by machine and channel; those that nobody has checked are not in it
     */
    public function ofMachines(array $machines): array
    {
        $channels = Channel::query()
            ->whereIn('machine_id', $machines)
            ->whereHas('log', static fn (Builder $log) => $log->where('kind', ChannelEntryKind::Calibrated))
            ->get()
            ->keyBy('id');
        $offsets = [];
        foreach ($this->of($channels->modelKeys()) as $id => $found) {
            $channel = $channels->firstOrFail('id', $id);
            $offsets[$channel->machine_id][$channel->key] = $found;
        }

        return $offsets;
    }
}
