<?php

declare(strict_types=1);

namespace App\Causes\Queries;

use App\Causes\Models\CaseOf;
use App\Runs\Models\Run;
use Dithermic\Core\Diagnosis\CaseEntry;
use Dithermic\Core\Diagnosis\Outcomes;
use Illuminate\Database\Eloquent\Builder;

/** What this shop's own cases have shown: outcomes by defect and cause, and changes made before. */
final class Learnt
{
    /** cases that are looked at, newest first */
    private const MOST = 2000;

    public function outcomes(): Outcomes
    {
        $outcomes = new Outcomes;
        $cases = CaseOf::query()
            ->whereHas('lines', static fn (Builder $l) => $l->where('kind', CaseEntry::Judged))
            ->with('lines')
            ->orderByDesc('at')
            ->limit(self::MOST)
            ->get();
        foreach ($cases as $case) {
            $case->file()->tell($outcomes);
        }

        return $outcomes;
    }

    /** @return list<array<string, float|bool|string|null>> what was changed for its product on its machine before, in order */
    public function historyBefore(Run $run, string $except): array
    {
        $machine = $run->mainMachine()->id;
        $history = [];
        $cases = CaseOf::query()->whereKeyNot($except)
            ->whereHas('lines', static fn (Builder $l) => $l->where('kind', CaseEntry::Changed))
            ->whereHas('run', static fn (Builder $r) => $r->where('product_id', $run->product_id)
                ->whereHas('stations', static fn (Builder $s) => $s->where('machine_id', $machine)))
            ->with('lines')
            ->orderBy('at')
            ->limit(self::MOST)
            ->get();
        foreach ($cases as $case) {
            array_push($history, ...$case->file()->history());
        }

        return $history;
    }
}
