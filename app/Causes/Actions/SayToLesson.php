<?php

declare(strict_types=1);

namespace App\Causes\Actions;

use App\Causes\Models\LessonSaid;
use App\Causes\Queries\LessonOf;
use App\People\Models\User;
use App\Runs\Models\Run;
use App\Shop\Actions\KeepRecipe;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;

/** Takes what a run taught into the next set-up of anybody, or remembers that it was not wanted. Once for each run. */
final readonly class SayToLesson
{
    public function __construct(
        private Sent $sent,
        private ShopClock $clock,
        private LessonOf $lessons,
        private KeepRecipe $recipes,
    ) {
    }

    /** @throws InputError where the run teaches nothing, or somebody has said already */
    public function __invoke(string $id, Run $run, bool $taken, User $by): void
    {
        DB::transaction(function () use ($id, $run, $taken, $by): void {
            Run::query()->whereKey($run->id)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            $before = LessonSaid::query()->where('run_id', $run->id)->with('by')->first();
            if ($before !== null) {
                throw new InputError('taken', "was said by {$before->by->name} already");
            }
            $lesson = $this->lessons->lesson($run)
                ?? throw new InputError('run', 'went as planned: it teaches nothing new');
            $recipe = $taken
                ? $this->recipes->teach(
                    $run->product,
                    $run->mainMachine(),
                    $lesson->setting,
                    $lesson->becomes,
                    "Run {$run->number}. {$lesson->says}",
                    $by,
                )
                : null;
            LessonSaid::query()->create([
                'id' => $id,
                'run_id' => $run->id,
                'setting' => $lesson->setting,
                'was' => $lesson->was,
                'becomes' => $lesson->becomes,
                'says' => $lesson->says,
                'taken' => $taken,
                'recipe_id' => $recipe?->id,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }
}
