<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Instruments\Support\Calibrations;
use App\Instruments\Support\Offsets;
use App\Runs\Data\TrackedData;
use App\Runs\Models\Run;
use App\Support\Seconds;
use Dithermic\Core\Process\Clock;
use Dithermic\Core\Process\Processes;
use Illuminate\Support\Facades\DB;

/** Timers of a run by what its instruments measure: readings of the main machine, put before the run's process. */
final readonly class Tracking
{
    /** what was read before it began says how it began, s */
    private const BEFORE_S = 60.0;

    private const MOST_READINGS = 20_000;

    public function __construct(private Processes $processes, private Calibrations $calibrations)
    {
    }

    /** @return list<TrackedData> of timers that run and of which enough was read */
    public function of(Run $run): array
    {
        $process = $this->processes->get($run->product->process);
        $clocks = $process->clocks($run->state());
        if ($clocks === []) {
            return [];
        }
        $machine = $run->mainMachine()->id;
        $offsets = $this->calibrations->ofMachines([$machine])[$machine] ?? [];
        $now = Seconds::now();
        $tracked = [];
        foreach ($clocks as $clock) {
            $told = $process->tracks($clock, $this->readings($machine, $clock, $offsets), $run->setup, $now);
            if ($told !== null) {
                $tracked[] = new TrackedData(
                    $clock->piece,
                    $clock->timer,
                    $told->state->value,
                    $told->says,
                    round($told->nowC, 1),
                    $told->readyAt,
                    $told->isOnTime($clock),
                    $told->moreMin($clock),
                    round($told->asIfS, 1),
                    $now,
                    $told->ofWhat,
                );
            }
        }

        return $tracked;
    }

    /**
     * @param  array<string, Offsets>  $offsets  by channel
     * @return array<string, list<array{float, float}>>
     */
    private function readings(int $machine, Clock $clock, array $offsets): array
    {
        $rows = DB::table('readings')
            ->selectRaw('channel, extract(epoch from at) as t, value')
            ->where('machine_id', $machine)
            ->whereIn('channel', $clock->channels)
            ->where('at', '>=', Seconds::moment($clock->from - self::BEFORE_S)->format('Y-m-d H:i:s.vP'))
            ->orderBy('at')
            ->limit(self::MOST_READINGS)
            ->get();
        $readings = [];
        foreach ($rows as $row) {
            $at = (float) $row->t;
            $readings[$row->channel][] = [$at, (float) $row->value + ($offsets[$row->channel] ?? new Offsets)->at($at)];
        }

        return $readings;
    }
}
