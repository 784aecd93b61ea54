<?php

declare(strict_types=1);

namespace App\Instruments\Support;

use App\Instruments\Models\Channel;
use App\Shop\Models\Machine;
use DateTimeImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Instrument\Unit;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** The channels that readings come on: met with their first reading, watched with every further one. */
final readonly class Channels
{
    /** a machine has no more instruments than this; more is an instrument that makes names up */
    private const MOST = 60;

    public function __construct(private Watching $watching)
    {
    }

    /**
     * Inside the transaction that keeps the readings.
     *
     * @param  list<array{at: string, machine_id: int, channel: string, value: float}>  $rows
     *
     * @throws InputError naming the row
     */
    public function hear(array $rows): void
    {
        $read = [];
        foreach ($rows as $i => $row) {
            $read[$row['machine_id']][$row['channel']]['row'] ??= $i;
            $read[$row['machine_id']][$row['channel']]['points'][] = [self::seconds($row['at']), $row['value']];
        }
        // In one order, so that two batches that meet the same channels wait for one another and not both.
        ksort($read);
        foreach ($read as &$channels) {
            ksort($channels);
        }
        unset($channels);
        $known = $this->known($read);
        if ($this->meet($read, $known)) {
            $known = $this->known($read);
        }
        $points = [];
        foreach ($known as $channel) {
            $points[$channel->id] = $read[$channel->machine_id][$channel->key]['points'] ?? [];
            usort($points[$channel->id], static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        }
        $this->watching->take($known, $points);
    }

    /** @param  string  $at  as the database is given it */
    private static function seconds(string $at): float
    {
        return (float) (new DateTimeImmutable($at))->format('U.v');
    }

    /**
     * @param  array<int, array<string, array{row: int, points: list<array{float, float}>}>>  $read
     * @return Collection<int, Channel> locked, so that batches of one instrument take turns
     */
    private function known(array $read): Collection
    {
        return Channel::query()
            ->where(static function (Builder $any) use ($read): void {
                foreach ($read as $machine => $channels) {
                    $any->orWhere(static fn (Builder $q) => $q->where('machine_id', $machine)
                        ->whereIn('key', array_map(strval(...), array_keys($channels))));
                }
            })
            ->orderBy('id')
            ->lockForUpdate()
            ->get();
    }

    /**
     * @param  array<int, array<string, array{row: int, points: list<array{float, float}>}>>  $read
     * @param  Collection<int, Channel>  $known
     * @return bool whether any was new
     *
     * @throws InputError
     */
    private function meet(array $read, Collection $known): bool
    {
        $met = false;
        foreach ($read as $machine => $channels) {
            $had = $known->where('machine_id', $machine)->pluck('key')->all();
            $new = array_diff(array_map(strval(...), array_keys($channels)), $had);
            if ($new === []) {
                continue;
            }
            $count = Channel::query()->where('machine_id', $machine)->count();
            if ($count + count($new) > self::MOST) {
                $row = min(array_map(static fn (string $key): int => $channels[$key]['row'], array_values($new)));
                $name = Machine::query()->whereKey($machine)->value('name');
                throw new InputError(
                    "readings.{$row}.channel",
                    "is new, and {$name} has ".self::MOST.' channels at most: name each instrument the same every time',
                );
            }
            Channel::query()->insertOrIgnore(array_map(
                static fn (string $key): array => ['machine_id' => $machine, 'key' => $key, 'unit' => Unit::of($key)],
                array_values($new),
            ));
            $met = true;
        }

        return $met;
    }
}
