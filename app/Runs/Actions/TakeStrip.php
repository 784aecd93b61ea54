<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\People\Models\User;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Queries\Rack;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\OnRack;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Illuminate\Support\Facades\DB;

/** A strip off its rack and into another barrel: both logs say it, or neither. Done once however often it is sent. */
final readonly class TakeStrip
{
    public function __construct(private Processes $processes, private Rack $rack, private RecordEvents $record)
    {
    }

    /**
     * @param  string  $id  made by the screen
     * @param  int  $strip  on the rack
     * @param  int|null  $piece  of the run that is fed, that is under way
     *
     * @throws InputError where it is on the rack no more, or this run is not fed now
     */
    public function __invoke(string $id, User $by, Run $run, int $strip, ?int $piece): void
    {
        DB::transaction(function () use ($id, $by, $run, $strip, $piece): void {
            $maker = $this->rack->maker($run)
                ?? throw new InputError('strip', 'comes from no rack: the lot of this run was cut by none');
            Run::query()->whereKey($maker->id)->lockForUpdate()->firstOrFail();
            if (RunEvent::query()->where('run_id', $run->id)->where('key', "{$id}-in")->exists()) {
                return;
            }
            $waits = collect($this->rack->on($maker->load('events.by')))->first(
                static fn (OnRack $of): bool => $of->piece === $strip,
            )
                ?? throw new InputError('strip', 'is on the rack no more: somebody has taken it');
            $fed = $this->processes->get($run->product->process)->fedWith($waits->massG, $waits->meanC, $piece)
                ?? throw new InputError('strip', 'goes into no machine of this kind');
            $off = $this->processes->get($maker->product->process)->offRack($strip);
            foreach ($off as $i => $entry) {
                $this->tell($maker, "{$id}-{$i}", $by, $entry);
            }
            $this->tell($run, "{$id}-in", $by, $fed);
        });
    }

    /** @param  array{type: EventType, data: array<string, mixed>}  $entry */
    private function tell(Run $run, string $key, User $by, array $entry): void
    {
        $event = new Event($key, $entry['type'], round(Seconds::now(), 3), $by->name, $entry['data'], $by->isLead());
        $refused = ($this->record)($run, [['event' => $event, 'by' => $by]])['refused'][0]['error'] ?? null;
        if ($refused !== null) {
            throw new InputError('strip', "run {$run->number}: {$refused->getMessage()}");
        }
    }
}
