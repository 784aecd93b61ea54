<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Planning\Models\Presence;
use App\Runs\Models\RunEvent;
use App\Support\Seconds;
use Dithermic\Core\Run\Whose;
use Illuminate\Support\Collection;

/** Who is here now. */
final readonly class AtWork
{
    private const DAY_S = 86_400.0;

    /**
     * @param  Collection<int, RunEvent>  $events  of late, with who logged them
     * @return list<string> by name
     */
    public function names(Collection $events, float $now): array
    {
        $logged = [];
        foreach ($events as $event) {
            if ($event->by->active) {
                $logged[$event->by->name] = max($logged[$event->by->name] ?? 0.0, $event->seconds('at'));
            }
        }
        $said = Presence::query()->with('person')
            ->where('day', '>', Seconds::moment($now - self::DAY_S))
            ->where('day', '<=', Seconds::moment($now))
            ->orderBy('id')->get()
            ->mapWithKeys(static fn (Presence $one): array => [$one->person->name => [
                'from' => Seconds::of($one->from_at),
                'to' => Seconds::of($one->to_at),
                'at' => Seconds::of($one->at),
            ]]);

        return Whose::here($logged, $said->all(), $now);
    }
}
