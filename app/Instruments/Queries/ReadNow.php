<?php

declare(strict_types=1);

namespace App\Instruments\Queries;

use App\Instruments\Models\Channel;
use App\Instruments\Support\Calibrations;
use App\Instruments\Support\Offsets;
use App\Support\Seconds;
use App\Support\ShopClock;

/** What machines read now of a number that their runs plan. */
final readonly class ReadNow
{
    /** older than this it is not now, s */
    private const FRESH_S = 120;

    public function __construct(private Calibrations $calibrations, private ShopClock $clock)
    {
    }

    /**
     * Of several channels that follow one number the lowest: what is heated is as far as its coldest place.
     *
     * @param  array<int, string>  $numbers  of the plan, by machine
     * @return array<int, float> by machine; those of which nothing was read of late are not in it
     */
    public function of(array $numbers): array
    {
        if ($numbers === []) {
            return [];
        }
        $channels = Channel::query()
            ->whereIn('machine_id', array_keys($numbers))
            ->whereNotNull('follows')
            ->where('last_at', '>', $this->clock->moment()->subSeconds(self::FRESH_S))
            ->get()
            ->filter(static fn (Channel $c): bool => $c->follows === $numbers[$c->machine_id]);
        $offsets = $this->calibrations->of($channels->modelKeys());
        $read = [];
        foreach ($channels as $channel) {
            $at = $channel->last_at === null ? 0.0 : Seconds::of($channel->last_at);
            $value = (float) $channel->last_value + ($offsets[$channel->id] ?? new Offsets)->at($at);
            $read[$channel->machine_id] = min($read[$channel->machine_id] ?? INF, $value);
        }

        return $read;
    }
}
