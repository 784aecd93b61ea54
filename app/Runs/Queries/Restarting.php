<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Data\RestartData;
use App\Runs\Models\Run;
use App\Support\Seconds;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\RunMachine;
use Illuminate\Validation\ValidationException;

/** What a run's machine needs before it goes on: its facts and the break, put before its process. */
final readonly class Restarting
{
    public function __construct(private Processes $processes, private PolymerLibrary $polymers)
    {
    }

    /**
     * @param  float|null  $readC  what it reads now
     *
     * @throws ValidationException where it is not interrupted
     */
    public function of(Run $run, ?float $readC): RestartData
    {
        $state = $run->state();
        $since = $state->interruptedSince()
            ?? throw ValidationException::withMessages(['run' => 'is not interrupted']);
        $off = max(0.0, Seconds::now() - $since) / 60;
        $restart = $this->processes->get($run->product->process)->restart(
            new Record($run->mainMachine()->facts),
            $run->plan,
            $run->setup,
            $this->polymers->get($run->polymer),
            $off,
            $readC,
        );

        $last = $state->timers[RunMachine::RESTART] ?? null;
        // It was not yet through when it lost its heat again.
        $left = $last === null || $last['answered_at'] !== null ? 0.0 : max(0.0, $last['ends_at'] - $since) / 60;

        return RestartData::of($off, $restart, $left);
    }
}
