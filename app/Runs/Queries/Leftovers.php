<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Material\Models\Act;
use App\Runs\Data\LeftoverData;
use App\Runs\Data\RunOutputData;
use App\Runs\Models\Run;
use App\Runs\Models\RunOutput;
use App\Runs\Support\OutputKind;
use Dithermic\Core\Process\Leftover;
use Dithermic\Core\Process\Processes;

/** What a run left besides good pieces, by its log and its plan, and what of that is kept. */
final readonly class Leftovers
{
    public function __construct(private Processes $processes)
    {
    }

    /** @return list<Leftover> */
    public function left(Run $run): array
    {
        return $this->processes->get($run->product->process)->leftovers($run->state(), $run->plan);
    }

    /** @return list<LeftoverData> */
    public function of(Run $run): array
    {
        $lots = $run->outputs->filter(static fn (RunOutput $o): bool => $o->kind === OutputKind::Lot);
        $acts = Act::query()->whereKey($lots->pluck('event_key'))->get()->keyBy('id');

        return array_map(static fn (Leftover $of): LeftoverData => LeftoverData::of($of, array_values($lots
            ->filter(
                static fn (RunOutput $o): bool => ($acts->get($o->event_key)?->data['leftover'] ?? null) === $of->id,
            )
            ->map(RunOutputData::of(...))->all())), $this->left($run));
    }
}
