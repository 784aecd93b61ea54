<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Machine;
use App\Models\Run;
use Dithermic\Core\Procedure\RunState;

/** Tells which run holds a place: a machine belongs to a run until its last step there is done. */
final class Places
{
    public function holder(Machine $machine, string $place, ?string $exceptRun = null): ?Run
    {
        $column = $place === 'cold' ? 'cold_machine_id' : 'machine_id';
        $running = Run::query()->where('status', RunState::RUNNING)->where($column, $machine->id)
            ->when($exceptRun !== null, static fn ($q) => $q->whereKeyNot($exceptRun))->with('procedureVersion')->get();
        foreach ($running as $run) {
            $steps = $run->procedureVersion->body['steps'];
            $current = array_search($run->step, array_column($steps, 'id'), true);
            $at = array_keys(array_filter($steps, static fn (array $s): bool => $s['place'] === $place));
            // The hot press is taken from the start; the cold one from when a sheet goes in.
            if ($at !== [] && $current !== false && $current >= ($place === 'cold' ? min($at) : 0) && $current <= max($at)) {
                return $run;
            }
        }

        return null;
    }
}
