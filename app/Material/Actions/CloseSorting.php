<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\Material\Models\Sorting;
use App\Material\Models\SortingBin;
use App\Material\Support\ActKind;
use App\Material\Support\Ledger;
use App\Material\Support\MovementKind;
use App\Material\Support\SortingState;
use App\People\Models\User;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Stock\MassBalance;

/** Ends a sorting: each container with a mass becomes a lot, and what went in is set against what came out. */
final readonly class CloseSorting
{
    public function __construct(private Ledger $ledger)
    {
    }

    public function balance(Sorting $sorting): MassBalance
    {
        $waste = $sorting->bins->whereNull('polymer')->pluck('id')->all();
        $inWaste = $sorting->entries->whereIn('bin_id', $waste);
        $weighed = $sorting->entries->whereNull('undoes')
            ->filter(static fn ($e): bool => (float) $e->mass_g > 0)
            ->count();

        return new MassBalance(
            (float) $sorting->in_g,
            (float) $sorting->entries->sum('mass_g') - (float) $inWaste->sum('mass_g'),
            (float) $inWaste->sum('mass_g'),
            $sorting->scale_g,
            1 + $weighed,
        );
    }

    public function __invoke(string $id, User $by, Sorting $sorting, string $reason): Act
    {
        return $this->ledger->act($id, ActKind::Sorted, $by, $reason, ['sorting_id' => $sorting->id], function (Act $act) use (
            $sorting,
            $reason,
        ): void {
            $open = Sorting::query()->whereKey($sorting->id)->lockForUpdate()->firstOrFail()->load(['bins', 'entries']);
            if ($open->status !== SortingState::Open) {
                throw new InputError('sorting', 'is closed already');
            }
            foreach ($open->bins as $bin) {
                $in = $open->entries->where('bin_id', $bin->id);
                if ((int) $in->sum('pieces') > 0 && (float) $in->sum('mass_g') <= 0) {
                    throw new InputError(
                        'bins',
                        "container {$bin->place} ({$bin->colour}) holds pieces and was not weighed: weigh it first",
                    );
                }
            }
            $balance = $this->balance($open);
            if (! $balance->closes && trim($reason) === '') {
                throw new InputError('reason', $balance->because.' Find it, or write a reason');
            }
            foreach ($open->bins as $bin) {
                $this->store($act, $open, $bin);
            }
            $open->update(['status' => SortingState::Closed, 'closed_at' => CarbonImmutable::now()]);
        });
    }

    private function store(Act $act, Sorting $sorting, SortingBin $bin): void
    {
        $mass = (float) $sorting->entries->where('bin_id', $bin->id)->sum('mass_g');
        if ($bin->polymer === null || $mass <= 0) {
            return;
        }
        $lot = $this->ledger->open([
            'source_id' => $sorting->source_id,
            'polymer' => $bin->polymer,
            'form' => 'item',
            'colour' => $bin->colour,
            'swatch' => $bin->swatch,
            'location' => $bin->location,
        ]);
        $this->ledger->line($act, $lot, $mass, MovementKind::Sorted);
        $bin->update(['lot_id' => $lot->id]);
    }
}
