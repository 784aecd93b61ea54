<?php

declare(strict_types=1);

namespace App\Causes\Actions;

use App\Causes\Models\CaseLine;
use App\Causes\Models\CaseOf;
use App\Causes\Queries\Cases;
use App\People\Models\User;
use App\Runs\Models\Run;
use App\Shop\Actions\KeepRecipe;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Diagnosis\CaseEntry;
use Dithermic\Core\Diagnosis\NextChange;
use Dithermic\Core\Process\Processes;
use Illuminate\Support\Facades\DB;

/** Opens a case of a bad piece and adds to it. Nothing is let in that the core could not read again. */
final readonly class WorkOnCase
{
    public function __construct(
        private Sent $sent,
        private ShopClock $clock,
        private Cases $cases,
        private Processes $processes,
        private KeepRecipe $recipes,
    ) {
    }

    /**
     * @param  list<array<string, mixed>>  $defects  id, where, severity
     *
     * @throws InputError where the piece is none of the run's, or a defect none of its process's
     */
    public function open(string $id, Run $run, ?int $piece, array $defects, User $by): CaseOf
    {
        return DB::transaction(function () use ($id, $run, $piece, $defects, $by): CaseOf {
            if (! $this->sent->as($id)) {
                return CaseOf::query()->findOrFail($id);
            }
            $run->load(['procedureVersion', 'events.by', 'product', 'stations.machine']);
            if ($piece !== null && ! isset($run->state()->pieces[$piece])) {
                throw new InputError('piece', 'is none of this run');
            }
            $case = CaseOf::query()->create([
                'id' => $id, 'run_id' => $run->id, 'piece' => $piece, 'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
            foreach ($defects as $defect) {
                $this->line($case, CaseEntry::Seen, ['defect' => $defect['id']] + $defect, $by, $run);
            }

            return $case;
        });
    }

    /**
     * @param  int  $after  the newest entry that was seen
     * @param  array<string, mixed>  $said
     *
     * @throws InputError where it has no place, or somebody has added something since
     */
    public function add(string $id, CaseOf $case, CaseEntry $kind, int $after, array $said, User $by): void
    {
        DB::transaction(function () use ($id, $case, $kind, $after, $said, $by): void {
            CaseOf::query()->whereKey($case->id)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            $case->load(Cases::WITH);
            if (($case->lines->last()->id ?? 0) !== $after) {
                throw new InputError('after', 'is not the newest: somebody has added to this case. Look again');
            }
            if ($kind === CaseEntry::Changed) {
                $said = $this->changed($case, $said, $by);
            }
            $this->line($case, $kind, $said, $by, $case->run);
            $case->unsetRelation('lines');
        });
    }

    /** @param  array<string, mixed>  $said */
    private function line(CaseOf $case, CaseEntry $kind, array $said, User $by, Run $run): void
    {
        $file = $case->load('lines')->file();
        $file->mustTake($kind, $said);
        $at = $this->clock->moment();
        $file->add($kind, $said, (float) $at->format('U.v'));
        // What the core could not rank with is never kept; what is known by itself it can.
        $this->cases->rank($run, $file, $case->id, known: []);
        CaseLine::query()->create([
            'case_id' => $case->id, 'kind' => $kind, 'said' => $said, 'by_id' => $by->id, 'at' => $at,
        ]);
        $case->unsetRelation('lines');
    }

    /**
     * The change as the ranking proposes it, or as somebody made it; with `keep` it goes into the next set-up.
     *
     * @param  array<string, mixed>  $said
     * @return array<string, mixed>
     */
    private function changed(CaseOf $case, array $said, User $by): array
    {
        $ranking = $this->cases->rank($case->run, $case->file(), $case->id, piece: $case->piece);
        $said += ['cause' => $ranking->causes[0]->id];
        if (($said['keep'] ?? false) !== true) {
            return $said;
        }
        $change = $ranking->next_change;
        $process = $this->processes->get($case->run->product->process);
        $take = $change === null ? null : $this->cases->take($case->run, $process, $change);
        if (! $change instanceof NextChange || $take === null || $change->parameter !== ($said['parameter'] ?? null)) {
            throw new InputError('keep', 'cannot be: this is no change of a setting that is proposed now. Look again');
        }
        $recipe = $this->recipes->teach(
            $case->run->product,
            $case->run->mainMachine(),
            $take->setting,
            $take->becomes,
            sprintf('%s: tried after run %d', $change->name, $case->run->number),
            $by,
        );

        return ['from' => $change->from, 'to' => $change->to, 'recipe' => $recipe->version] + $said;
    }
}
