<?php

declare(strict_types=1);

namespace App\Runs\Support;

use App\Material\Models\Lot;
use App\Material\Support\Ledger;
use App\Runs\Models\Run;
use App\Runs\Models\RunMaterial;

/** A container of what a run made: once hotter than what went in, and of the source that is trusted least. */
final readonly class LotOfRun
{
    public function __construct(private Ledger $ledger)
    {
    }

    public function open(Run $run, string $form, string $location): Lot
    {
        $materials = $run->materials()->with('lot.source')->get();
        $trust = static fn (RunMaterial $m): int => $m->lot->source->state->trust();
        $from = $materials->sortBy([
            static fn (RunMaterial $a, RunMaterial $b): int => $trust($a) <=> $trust($b),
            static fn (RunMaterial $a, RunMaterial $b): int => (float) $b->mass_g <=> (float) $a->mass_g,
        ])->firstOrFail()->lot;

        return $this->ledger->open([
            'source_id' => $from->source_id,
            'polymer' => $run->polymer,
            'form' => $form,
            'colour' => $from->colour,
            'swatch' => $from->swatch,
            'generation' => 1 + (int) $materials->max(static fn (RunMaterial $m): int => $m->lot->generation),
            'location' => $location,
        ]);
    }
}
