<?php

declare(strict_types=1);

namespace App\Causes\Queries;

use App\Causes\Data\LessonData;
use App\Causes\Models\LessonSaid;
use App\Runs\Data\RunLinkData;
use App\Runs\Models\Run;
use App\Support\Seconds;
use Dithermic\Core\Learning\Lesson;
use Dithermic\Core\Learning\Lessons;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\RunState;
use Illuminate\Database\Eloquent\Builder;

/** What a run taught, and whether the runs before it say the same. */
final readonly class LessonOf
{
    /** runs before it that are asked */
    private const BEFORE = 5;

    private const WITH = ['events.by', 'product', 'procedureVersion', 'stations.machine'];

    public function __construct(private Processes $processes)
    {
    }

    public function data(Run $run): ?LessonData
    {
        $said = LessonSaid::query()->where('run_id', $run->id)->with('by')->first();
        $lesson = $this->lesson($run);
        if ($said === null && $lesson === null) {
            return null;
        }
        $before = $this->before($run);
        $same = $lesson === null ? [] : array_filter($before, fn (Run $r): bool => $this->agrees($r, $lesson));

        return new LessonData(
            $said->setting ?? $lesson->setting ?? '',
            $said === null ? $lesson?->was : $said->was,
            $said->becomes ?? $lesson->becomes ?? 0.0,
            $said->says ?? $lesson->says ?? '',
            array_values(array_map(static fn (Run $r): RunLinkData => new RunLinkData($r->id, $r->number), $same)),
            count($before),
            $said?->taken,
            $said?->by->name,
            $said === null ? null : Seconds::of($said->at),
        );
    }

    /** Of a run that is over; what is under way may go on otherwise. */
    public function lesson(Run $run): ?Lesson
    {
        $run->loadMissing(self::WITH);
        if ($run->status !== RunState::FINISHED) {
            return null;
        }

        return Lessons::of(
            $this->processes->get($run->product->process),
            $run->procedureVersion->procedure(),
            $run->state(),
            $run->plan,
            (array) ($run->setup['settings'] ?? []),
        );
    }

    private function agrees(Run $run, Lesson $lesson): bool
    {
        $own = $this->lesson($run);

        return $own !== null && $own->setting === $lesson->setting && ($own->ratio > 1) === ($lesson->ratio > 1);
    }

    /** @return list<Run> the last ones of its product on its machine */
    private function before(Run $run): array
    {
        $machine = $run->mainMachine()->id;

        return array_values(Run::query()
            ->where('product_id', $run->product_id)
            ->where('number', '<', $run->number)
            ->where('status', RunState::FINISHED)
            ->whereHas('stations', static fn (Builder $s) => $s->where('machine_id', $machine))
            ->with(self::WITH)
            ->orderByDesc('number')
            ->limit(self::BEFORE)
            ->get()
            ->all());
    }
}
