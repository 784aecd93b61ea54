<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Shop\Models\MachineFact;
use App\Support\ShopClock;
use Closure;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\FactOrigin;
use Dithermic\Core\Process\Processes;
use Illuminate\Support\Facades\DB;

/** Says what is known of a machine. What was said before stays in its log; the machine has the newest of each. */
final readonly class SayOfMachine
{
    public function __construct(private Processes $processes, private ShopClock $clock)
    {
    }

    /**
     * @param  array<string, array{value: mixed, origin: FactOrigin}>  $facts
     *
     * @throws InputError by the fact at fault
     */
    public function create(string $name, string $kind, array $facts, string $note, User $by): Machine
    {
        if (! isset($this->processes->machineKinds()[$kind])) {
            throw new InputError('kind', 'is no kind of machine that is known here');
        }

        return DB::transaction(function () use ($name, $kind, $facts, $note, $by): Machine {
            // One at a time, so that the same name sent twice is seen.
            DB::select('select pg_advisory_xact_lock(hashtext(?))', ["machine {$name}"]);
            if (Machine::query()->where('name', $name)->exists()) {
                throw new InputError('name', "there is a machine called {$name} already");
            }
            $machine = Machine::query()->create(['name' => $name, 'kind' => $kind, 'facts' => []]);
            $this->say($machine, 0, $facts, $note, $by);

            return $machine;
        });
    }

    /**
     * @param  int  $after  the newest fact that the sayer has seen: 0 for none
     * @param  array<string, array{value: mixed, origin: FactOrigin}>  $facts
     *
     * @throws InputError where somebody else has said something since, or by the fact at fault
     */
    public function say(Machine $machine, int $after, array $facts, string $note, User $by): void
    {
        $values = array_map(static fn (array $fact): mixed => $fact['value'], $facts);
        $kind = $this->processes->machineKinds()[$machine->kind]
            ?? throw new InputError('facts', 'are of no known kind of machine');
        self::ofFacts(static fn () => $kind->mustFit($values));
        DB::transaction(function () use ($machine, $kind, $after, $facts, $values, $note, $by): void {
            $locked = Machine::query()->whereKey($machine->id)->lockForUpdate()->firstOrFail();
            $newest = (int) $locked->factLog()->max('id');
            if ($newest !== $after) {
                throw new InputError(
                    'after',
                    "somebody has said something of {$locked->name} meanwhile: look at it first",
                );
            }
            foreach ($facts as $name => $fact) {
                MachineFact::query()->create([
                    'machine_id' => $locked->id,
                    'name' => $name,
                    'value' => $fact['value'],
                    'origin' => $fact['value'] === null ? FactOrigin::Unknown : $fact['origin'],
                    'note' => $note,
                    'by_id' => $by->id,
                    'at' => $this->clock->moment(),
                ]);
            }
            // An unknown fact is not there for the plan, and stands in the log as unknown.
            $known = array_filter($values + $locked->facts, static fn (mixed $value): bool => $value !== null);
            self::ofFacts(static fn () => $kind->mustAgree($known));
            $locked->update(['facts' => $known]);
            $machine->refresh();
        });
    }

    /** @param  Closure(): void  $does */
    private static function ofFacts(Closure $does): void
    {
        try {
            $does();
        } catch (InputError $error) {
            throw $error->under('facts');
        }
    }
}
