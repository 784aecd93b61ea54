<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Instruments\Support\Calibrations;
use App\Instruments\Support\Offsets;
use App\Runs\Data\HeardData;
use App\Runs\Models\Run;
use App\Support\Seconds;
use Dithermic\Core\Process\Heard;
use Dithermic\Core\Process\Listen;
use Dithermic\Core\Process\Processes;
use Illuminate\Support\Facades\DB;

/** What instruments told of a run's newest pieces: readings at full rate, heard by the run's process. */
final readonly class Hearing
{
    private const MOST_READINGS = 20_000;

    private const POINTS = 160;

    /** the pieces that were heard last */
    private const NEWEST = 12;

    public function __construct(private Processes $processes, private Calibrations $calibrations)
    {
    }

    /** @return list<HeardData> */
    public function of(Run $run): array
    {
        $process = $this->processes->get($run->product->process);
        $machine = $run->mainMachine();
        $offsets = $this->calibrations->ofMachines([$machine->id])[$machine->id] ?? [];
        $heard = [];
        foreach (array_slice($process->listens($run->state()), -self::NEWEST) as $listen) {
            $readings = $this->readings($machine->id, $listen, $offsets[$listen->channel] ?? new Offsets);
            $told = $process->hears($listen, $readings, $machine->facts);
            if ($told !== null) {
                $heard[] = self::data($told, $readings);
            }
        }

        return $heard;
    }

    /** @return list<array{float, float}> */
    private function readings(int $machine, Listen $on, Offsets $offsets): array
    {
        $rows = DB::table('readings')
            ->selectRaw('extract(epoch from at) as t, value')
            ->where('machine_id', $machine)
            ->where('channel', $on->channel)
            ->whereBetween('at', [
                Seconds::moment($on->from)->format('Y-m-d H:i:s.vP'),
                Seconds::moment($on->to)->format('Y-m-d H:i:s.vP'),
            ])
            ->orderBy('at')
            ->limit(self::MOST_READINGS)
            ->get();

        return array_values(array_map(
            static fn (object $r): array => [(float) $r->t, (float) $r->value + $offsets->at((float) $r->t)],
            $rows->all(),
        ));
    }

    /** @param  list<array{float, float}>  $readings */
    private static function data(Heard $told, array $readings): HeardData
    {
        $every = max(1, intdiv(count($readings), self::POINTS));
        $first = $readings[0][0] ?? 0.0;
        $points = [];
        foreach ($readings as $i => [$t, $value]) {
            if ($i % $every === 0) {
                $points[] = [round($t - $first, 3), round($value, 2)];
            }
        }

        return new HeardData(
            $told->piece,
            $told->title,
            $told->state->value,
            $told->says,
            array_map(static fn (array $m): array => ['at_s' => $m[0], 'what' => $m[1]], $told->marks),
            $points,
        );
    }
}
