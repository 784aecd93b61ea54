<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Planning\Models\Presence;
use App\Runs\Models\RunEvent;
use App\Support\Seconds;
use Illuminate\Support\Collection;

/** Who is here now: who said so for today, and whose hands were in a log a while ago. */
final readonly class AtWork
{
    /** who logged nothing for so long may have gone, s */
    private const SEEN_S = 4 * 3600.0;

    private const DAY_S = 86_400.0;

    /**
     * @param  Collection<int, RunEvent>  $events  of the runs under way, with who logged them
     * @return list<string> by name
     */
    public function names(Collection $events, float $now): array
    {
        $seen = [];
        foreach ($events as $event) {
            if ($event->by->active && ($at = $event->seconds('at')) > $now - self::SEEN_S && $at <= $now) {
                $seen[$event->by->name] = max($seen[$event->by->name] ?? 0.0, $at);
            }
        }
        $said = Presence::query()->with('person')
            ->where('day', '>', Seconds::moment($now - self::DAY_S))
            ->where('day', '<=', Seconds::moment($now))
            ->orderBy('id')->get()->keyBy('person_id');
        foreach ($said as $presence) {
            $name = $presence->person->name;
            [$begins, $ends] = [Seconds::of($presence->from_at), Seconds::of($presence->to_at)];
            $here = $begins <= $now && $now < $ends;
            // What came last counts: who said that they are gone, or not here yet, and logged nothing since.
            $gone = max(Seconds::of($presence->at), $now < $begins ? -INF : $ends);
            if ($here) {
                $seen[$name] ??= $now;
            } elseif (($seen[$name] ?? -INF) < $gone) {
                unset($seen[$name]);
            }
        }
        ksort($seen);

        return array_map(strval(...), array_keys($seen));
    }
}
