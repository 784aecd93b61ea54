<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Runs\Models\RunStation;
use App\Shop\Models\Care;
use App\Shop\Models\CareDone;
use App\Shop\Models\Machine;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Care\Interval;
use Illuminate\Support\Facades\DB;

/** Says what of a machine is looked after, that it was done, and that it is no longer asked. */
final readonly class KeepCare
{
    public function __construct(private Sent $sent, private ShopClock $clock)
    {
    }

    /**
     * @param  array{title: string, why: string, every_days: int|null, every_pieces: int|null, run_id: string|null}  $said
     *
     * @throws InputError by field
     */
    public function add(string $id, User $by, Machine $machine, array $said): Care
    {
        return DB::transaction(function () use ($id, $by, $machine, $said): Care {
            if (! $this->sent->as($id)) {
                return Care::query()->findOrFail($id);
            }
            if ($machine->retired_at !== null) {
                throw new InputError('machine', "{$machine->name} is out of use");
            }
            new Interval($said['every_days'], $said['every_pieces']);
            $held = RunStation::query()->where('run_id', $said['run_id'])->where('machine_id', $machine->id);
            if ($said['run_id'] !== null && $held->doesntExist()) {
                throw new InputError('run_id', "is a run that {$machine->name} was not in");
            }

            return Care::query()->create([
                'id' => $id, 'machine_id' => $machine->id, 'by_id' => $by->id, 'at' => $this->clock->moment(),
            ] + $said);
        });
    }

    /** @throws InputError where there is nothing to do */
    public function done(string $id, User $by, Care $care, string $note): void
    {
        DB::transaction(function () use ($id, $by, $care, $note): void {
            $locked = Care::query()->whereKey($care->id)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            if ($locked->given_up_at !== null) {
                throw new InputError('care', 'is no longer asked');
            }
            if ($locked->interval()->isOnce() && $locked->done()->exists()) {
                throw new InputError('care', 'was done already, and comes but once');
            }
            CareDone::query()->create([
                'id' => $id,
                'care_id' => $locked->id,
                'note' => $note,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    public function giveUp(Care $care): void
    {
        $care->update(['given_up_at' => $care->given_up_at ?? $this->clock->moment()]);
    }
}
