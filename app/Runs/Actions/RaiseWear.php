<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\People\Models\User;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Models\RunStation;
use App\Shop\Actions\KeepCare;
use App\Shop\Models\Care;
use App\Shop\Models\Machine;
use Carbon\CarbonImmutable;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Process\Wear;
use Dithermic\Core\Run\EventType;
use Illuminate\Support\Str;

/**
 * What pieces tell of the machine that made them is raised as care of it, once: it is looked for again in what is
 * measured after it was done.
 */
final readonly class RaiseWear
{
    /** pieces that are looked at */
    private const LAST = 16;

    public function __construct(private Processes $processes, private KeepCare $care)
    {
    }

    /** @param  string  $entry  that was just logged */
    public function lookFor(Run $run, string $entry, User $by): void
    {
        $machine = $run->mainMachine();
        // What is out of use is not looked after.
        if (
            $this->processes->get($run->product->process)->tellsOfMachine() !== $entry
            || $machine->retired_at !== null
        ) {
            return;
        }
        $last = $this->measured($run, $machine, $entry);
        foreach ($this->told($run, $machine, $last) as $title => $wear) {
            $before = Care::query()->where('machine_id', $machine->id)->where('title', $title)->with('done')->get();
            if ($before->contains(
                static fn (Care $care): bool => $care->given_up_at === null && $care->done->isEmpty(),
            )) {
                continue;
            }
            $ended = $before
                ->flatMap(static fn (Care $care) => [$care->given_up_at, ...$care->done->pluck('at')])
                ->filter()
                ->max();
            if ($ended instanceof CarbonImmutable) {
                $since = array_values(array_filter(
                    $last,
                    static fn (RunEvent $one): bool => $one->at->greaterThan($ended),
                ));
                $wear = $this->told($run, $machine, $since)[$title] ?? null;
            }
            if ($wear === null) {
                continue;
            }
            $this->care->add((string) Str::uuid(), $by, $machine, [
                'title' => $title, 'why' => $wear->why, 'every_days' => null, 'every_pieces' => null,
                'run_id' => $run->id,
            ]);
        }
    }

    /**
     * @param  list<RunEvent>  $measured
     * @return array<string, Wear> by title
     */
    private function told(Run $run, Machine $machine, array $measured): array
    {
        $process = $this->processes->get($run->product->process);

        return array_column(
            $process->wears(
                array_map(static fn (RunEvent $one): array => (array) ($one->data['values'] ?? []), $measured),
                $machine->facts,
                $run->plan,
            ),
            null,
            'title',
        );
    }

    /** @return list<RunEvent> of the newest pieces of this machine, the oldest first */
    private function measured(Run $run, Machine $machine, string $entry): array
    {
        $runs = RunStation::query()->where('machine_id', $machine->id)->where('position', 0)
            ->whereHas('run.product', static fn ($q) => $q->where('process', $run->product->process))
            ->orderByDesc('from_at')->limit(self::LAST)->pluck('run_id');

        return array_values(RunEvent::query()->whereIn('run_id', $runs)->where('type', EventType::Logged)
            ->where('data->entry', $entry)->orderByDesc('at')->orderByDesc('id')->limit(self::LAST)->get()
            // Of a piece that was measured again the newest counts.
            ->unique(static fn (RunEvent $one): string => "{$one->run_id} ".($one->data['piece'] ?? ''))
            ->reverse()->all());
    }
}
