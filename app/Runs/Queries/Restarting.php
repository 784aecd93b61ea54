<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Data\RestartData;
use App\Runs\Models\Run;
use App\Support\Seconds;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Interruption;
use Dithermic\Core\Process\Processes;
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
        $restart = $this->processes->get($run->product->process)->restart(new Interruption(
            new Record($run->mainMachine()->facts),
            $run->plan,
            $run->setup,
            $this->polymers->get($run->polymer),
            $off,
            $readC,
        ));

        return RestartData::of($off, $restart, $state->owedMin());
    }
}
