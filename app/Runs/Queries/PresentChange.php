<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Data\ChangeData;
use App\Runs\Data\ChangeLookData;
use App\Runs\Data\ChangeTaskData;
use App\Runs\Models\JobChange;
use App\Support\Seconds;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Process\Change\ChangeFile;
use Dithermic\Core\Process\Change\ChangeTask;
use Dithermic\Core\Process\Change\Hose;
use Dithermic\Core\Process\Change\Position;
use Dithermic\Core\Process\Change\TaskState;
use Dithermic\Core\Process\Plan;

/** Job changes as they go over the wire. */
final readonly class PresentChange
{
    public const WITH = ['machine', 'product', 'lot', 'mould', 'by', 'lines.by'];

    public function __construct(private ShopClock $clock)
    {
    }

    public function of(JobChange $change): ChangeData
    {
        $change->loadMissing(self::WITH);
        $file = $change->file();
        $began = Seconds::of($change->at);
        $now = $change->ended_at === null ? $this->clock->now() : Seconds::of($change->ended_at);
        $tasks = $file->foretold($now);
        $plan = $change->plan;

        return new ChangeData(
            $change->id,
            $change->machine_id,
            $change->machine->name,
            $change->product_id,
            $change->product->name,
            $change->lot_id,
            $change->lot?->code,
            $change->polymer,
            $change->lot?->swatch,
            $change->was['polymer'],
            $change->was['swatch'],
            $change->was['mould'],
            $change->mould?->name,
            $change->by->name,
            $began,
            $change->ended_at === null ? null : Seconds::of($change->ended_at),
            $file->givenUp,
            $change->lines->last()->id ?? 0,
            $change->people,
            $plan['explanation'],
            $plan['stop'],
            $began + 60 * max([0.0, ...array_map(static fn (ChangeTask $t): float => $t->end_min, $tasks)]),
            $plan['total_min'],
            $plan['hands_min'],
            $plan['serial_min'],
            $plan['purge_g'],
            $plan['route'],
            array_map(fn (ChangeTask $t): ChangeTaskData => $this->task($t, $file, $began), $tasks),
            array_map(static fn (array $p): Position => Reader::read(Position::class, $p), $plan['positions']),
            array_map(static fn (array $h): Hose => Reader::read(Hose::class, $h), $plan['hoses']),
            [...$plan['warnings'], ...$plan['against']],
            $plan['unknown'],
            Plan::READY_WITHIN_K,
        );
    }

    private function task(ChangeTask $task, ChangeFile $file, float $began): ChangeTaskData
    {
        $state = $file->states[$task->id];

        return new ChangeTaskData(
            $task,
            $file->stands($task->id),
            $began + 60 * $task->start_min,
            $began + 60 * $task->end_min,
            $file->lacks($task->id),
            array_map(strval(...), array_keys($state->tapped)),
            array_map(
                static fn (array $l): ChangeLookData => new ChangeLookData($l['look'], $l['mass_g'], $l['at']),
                $state->looks,
            ),
            $state->purged(),
            $state->passed,
            self::said($state),
        );
    }

    private static function said(TaskState $state): ?string
    {
        $parts = [];
        foreach (['c' => '%g °C', 'in_c' => 'in %g °C', 'out_c' => 'out %g °C', 'good' => '%g good', 'bad' => '%g not'] as $name => $words) {
            if (isset($state->said[$name])) {
                $parts[] = sprintf($words, $state->said[$name]);
            }
        }

        return $parts === [] ? null : implode(', ', $parts);
    }
}
