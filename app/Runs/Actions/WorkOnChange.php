<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\People\Models\User;
use App\Runs\Models\ChangeLine;
use App\Runs\Models\JobChange;
use App\Runs\Queries\ChangeOver;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Change\ChangeEntry;
use Dithermic\Core\Process\Change\ChangeFile;
use Illuminate\Support\Facades\DB;

/** Begins a job change and adds to it. What the machine holds afterwards is what its log says, finished or given up. */
final readonly class WorkOnChange
{
    public function __construct(
        private Sent $sent,
        private ShopClock $clock,
        private ChangeOver $changes,
        private Places $places,
    ) {
    }

    /** @throws InputError where nothing is to be changed, there is no way, or the machine is not free */
    public function begin(string $id, Order $order, int $people, ?float $heatC, User $by): JobChange
    {
        return DB::transaction(function () use ($id, $order, $people, $heatC, $by): JobChange {
            $main = $order->main() ?? throw new InputError('machines', 'choose the machine');
            $machine = Machine::query()->whereKey($main->id)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return JobChange::query()->findOrFail($id);
            }
            $this->mustBeFree($machine);
            $mould = $this->mould($order);
            $order->mustMatchItsLot();
            $plan = $this->changes->plan($order, $order->process->plan($order->job()), $people, $heatC)
                ?? throw new InputError('machines', "{$machine->name} has nothing to be changed over: it holds this already");
            if ($plan->total_min === null) {
                throw new InputError('polymer', (string) $plan->stop);
            }
            $at = $this->clock->moment();
            $change = JobChange::query()->create([
                'id' => $id,
                'machine_id' => $machine->id,
                'product_id' => $order->product->id,
                'lot_id' => $order->lots[0]->id ?? null,
                'mould_id' => $mould?->id,
                'polymer' => $order->polymer(),
                'was' => [
                    'polymer' => $machine->last_polymer,
                    'swatch' => $machine->last_swatch,
                    'mould_id' => $machine->hung_id,
                    'mould' => $machine->loadMissing('hung')->hung?->name,
                ],
                'plan' => (array) json_decode((string) json_encode($plan), true),
                'people' => $people,
                'by_id' => $by->id,
                'at' => $at,
            ]);
            foreach ($plan->under_way as $task) {
                ChangeLine::query()->create([
                    'change_id' => $id, 'kind' => ChangeEntry::Begun, 'said' => ['task' => $task], 'by_id' => $by->id,
                    'at' => $at,
                ]);
            }

            return $change;
        });
    }

    /**
     * @param  int  $after  the newest entry that was seen
     * @param  array<string, mixed>  $said
     * @param  float|null  $when  it was done, s since 1970 UTC, by a screen that could not send it then; null for now
     *
     * @throws InputError where it has no place, or somebody else has said something of the same task since
     */
    public function add(
        string $id,
        JobChange $change,
        ChangeEntry $kind,
        int $after,
        array $said,
        ?float $when,
        User $by,
    ): void {
        DB::transaction(function () use ($id, $change, $kind, $after, $said, $when, $by): void {
            JobChange::query()->whereKey($change->id)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            $change->refresh()->load('lines.by');
            $this->mustHaveSeen($change, $said['task'] ?? null, $after, $by);
            $now = $this->clock->now();
            $at = Seconds::moment(min($now, max(Seconds::of($change->at), $when ?? $now)));
            $file = $change->file();
            $file->mustTake($kind, $said, (float) $at->format('U.v'), $by->isLead());
            $file->add($kind, $said, (float) $at->format('U.v'));
            ChangeLine::query()->create([
                'change_id' => $change->id, 'kind' => $kind, 'said' => $said, 'by_id' => $by->id, 'at' => $at,
            ]);
            $this->holds($change, $file);
            if ($file->endedAt !== null) {
                $change->update(['ended_at' => $at]);
            }
            $change->unsetRelation('lines');
        });
    }

    /** Two persons at one task see each other's word first; each at another task are in nobody's way. */
    private function mustHaveSeen(JobChange $change, ?string $task, int $after, User $by): void
    {
        $unseen = $change->lines->first(static fn (ChangeLine $line): bool => $line->id > $after
            && ! $line->by->is($by)
            && ($task === null || ($line->said['task'] ?? null) === $task));
        if ($unseen !== null) {
            throw new InputError('after', "is not the newest: {$unseen->by->name} has added to this. Look again");
        }
    }

    /**
     * What is in the barrel and what hangs changes with the entry that says so, not with the end of it all, and back
     * with the one that takes it back.
     */
    private function holds(JobChange $change, ChangeFile $file): void
    {
        $machine = $change->machine;
        $polymer = $file->inBarrel() ?? ($file->isThrough() ? $change->polymer : null);
        [$machine->last_polymer, $machine->last_swatch] = match ($polymer) {
            null => [$change->was['polymer'], $change->was['swatch']],
            $change->polymer => [$polymer, $change->lot?->swatch],
            default => [$polymer, null],
        };
        $machine->hang(match (true) {
            $file->isDone('mould_in') => $change->mould_id,
            $file->isDone('mould_out') => null,
            default => $change->was['mould_id'],
        });
        $machine->save();
    }

    /** @throws InputError where the mould that shall hang is in a run elsewhere */
    private function mould(Order $order): ?Machine
    {
        $mould = $order->mould();
        $holder = $mould === null ? null : $this->places->holder($mould);
        if ($holder !== null) {
            throw new InputError(
                'machines.mould',
                "{$mould->name} hangs in run {$holder->number}: take another, or wait for it",
            );
        }

        return $mould;
    }

    private function mustBeFree(Machine $machine): void
    {
        $holder = $this->places->holder($machine);
        if ($holder !== null) {
            throw new InputError(
                'machines',
                "{$machine->name} is held by run {$holder->number}: it is changed over when that is done",
            );
        }
        if ($this->changes->open($machine) !== null) {
            throw new InputError('machines', "{$machine->name} is being changed over already: go on with that");
        }
    }
}
