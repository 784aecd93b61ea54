<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Actions\CloseSorting;
use App\Material\Data\SortingBinData;
use App\Material\Data\SortingData;
use App\Material\Data\SortingEntryData;
use App\Material\Models\Sorting;
use App\Material\Models\SortingBin;
use App\Material\Models\SortingEntry;
use App\People\Models\User;
use App\Support\Seconds;

/** A sorting as it stands: what is in each container, and whether the batch's mass is accounted for. */
final readonly class PresentSorting
{
    private const NEWEST = 60;

    public function __construct(private PresentLot $present, private CloseSorting $close)
    {
    }

    public function sorting(Sorting $sorting): SortingData
    {
        $sorting->loadMissing(['source', 'by', 'bins.lot', 'entries']);
        $balance = $this->close->balance($sorting);

        return new SortingData(
            $sorting->id,
            $this->present->source($sorting->source),
            $sorting->about,
            (float) $sorting->in_g,
            $sorting->scale_g,
            $sorting->status->value,
            $sorting->by->name,
            Seconds::of($sorting->started_at),
            $sorting->closed_at === null ? null : Seconds::of($sorting->closed_at),
            array_values($sorting->bins->map(fn (SortingBin $b): SortingBinData => $this->bin($b, $sorting))->all()),
            $this->entries($sorting),
            $balance->sorted_g,
            $balance->waste_g,
            $balance->missing_g,
            $balance->tolerance_g,
            $balance->closes,
            $balance->because,
        );
    }

    private function bin(SortingBin $bin, Sorting $sorting): SortingBinData
    {
        $in = $sorting->entries->where('bin_id', $bin->id);

        return new SortingBinData(
            $bin->id,
            $bin->place,
            $bin->polymer,
            $bin->colour,
            $bin->swatch,
            $bin->location,
            $bin->lot_id,
            $bin->lot?->code,
            (int) $in->sum('pieces'),
            round((float) $in->sum('mass_g'), 3),
            $bin->polymer !== null && $this->present->neverHot($bin->polymer),
        );
    }

    /** @return list<SortingEntryData> the newest, each with whether it was taken back */
    private function entries(Sorting $sorting): array
    {
        $undone = array_filter($sorting->entries->pluck('undoes')->all());
        $names = User::query()->pluck('name', 'id');

        return array_values($sorting->entries->whereNull('undoes')->sortByDesc('at')->take(self::NEWEST)->map(
            static fn (SortingEntry $e): SortingEntryData => new SortingEntryData(
                $e->id,
                $e->bin_id,
                $e->pieces,
                (float) $e->mass_g,
                in_array($e->id, $undone, true),
                (string) ($names[$e->by_id] ?? ''),
                Seconds::of($e->at),
            ),
        )->all());
    }
}
