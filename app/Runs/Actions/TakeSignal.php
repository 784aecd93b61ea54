<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\People\Models\User;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Models\RunStation;
use App\Shop\Models\Machine;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventSource;
use Dithermic\Core\Run\Foot;
use Illuminate\Support\Facades\DB;

/**
 * A press of the foot switch at a machine: what is in front of the run there is done. Nobody signs in with a foot: what
 * a switch sends is entered for whoever made the run's last entry, and says that it came by foot. Who is signed in
 * speaks for themselves.
 */
final readonly class TakeSignal
{
    /** a second press sooner than this is the same foot, s */
    private const BOUNCE_S = 0.7;

    /** runs that a machine had last, among which a signal that is sent again is looked for */
    private const LOOKED_BACK = 3;

    public function __construct(
        private Places $places,
        private RecordEvents $record,
        private ShopClock $clock,
        private Sent $sent,
    ) {
    }

    /**
     * All that a press says is entered, or none of it.
     *
     * @param  User|null  $by  who sends it; null for a switch
     * @return array{run: Run, stored: list<string>} keys of the entries; none where it was the same foot again
     *
     * @throws InputError where no run is at the machine, or the press says nothing there
     */
    public function __invoke(Machine $machine, string $id, string $signal, ?User $by): array
    {
        return DB::transaction(function () use ($machine, $id, $signal, $by): array {
            if (! $this->sent->as($id)) {
                return $this->before($machine, $id);
            }
            $run = $this->places->holder($machine)
                ?? throw new InputError('machine', "has no run: nothing is begun by foot on {$machine->name}");
            $run->load(['events.by', 'procedureVersion', 'stations']);
            $now = $this->clock->now();
            $last = $run->events->last(static fn (RunEvent $e): bool => $e->source === EventSource::Signal);
            if ($last !== null && $now - $last->seconds('at') < self::BOUNCE_S) {
                return ['run' => $run, 'stored' => []];
            }
            $by ??= $run->events->last()->by ?? $run->starter;
            ['stored' => $stored, 'refused' => $refused] = ($this->record)(
                $run,
                $this->events($run, $id, $signal, $now, $by),
            );

            return $refused === [] ? ['run' => $run, 'stored' => $stored] : throw $refused[0]['error'];
        });
    }

    /** @return list<array{event: Event, by: User}> */
    private function events(Run $run, string $id, string $signal, float $now, User $by): array
    {
        $events = [];
        foreach ((new Foot($run->machineOfState()))->says($run->state(), $signal, $now) as $n => $said) {
            $events[] = [
                'event' => new Event(
                    "{$id}-{$n}",
                    $said['type'],
                    round($now, 3),
                    $by->name,
                    $said['data'],
                    source: EventSource::Signal,
                ),
                'by' => $by,
            ];
        }

        return $events;
    }

    /**
     * What became of a press that was sent before: its run may be over since.
     *
     * @return array{run: Run, stored: list<string>}
     */
    private function before(Machine $machine, string $id): array
    {
        $runs = RunStation::query()->where('machine_id', $machine->id)
            ->whereNotNull('from_at')
            ->orderByDesc('from_at')
            ->limit(self::LOOKED_BACK)
            ->pluck('run_id');
        $found = RunEvent::query()->whereIn('run_id', $runs)->where('key', 'like', "{$id}-%")->orderBy('seq')->get();
        $keys = array_values($found->map(static fn (RunEvent $e): string => $e->key)->all());

        $run = Run::query()->whereKey($found->first()->run_id ?? $runs[0])->firstOrFail();

        return ['run' => $run, 'stored' => $keys];
    }
}
