<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Data\ReviewItemData;
use App\Material\Models\Act;
use App\Material\Models\Identification;
use App\Material\Models\Lot;
use App\Material\Support\ActKind;
use App\Shop\Models\Machine;
use Dithermic\Core\Identification\Knowledge;
use Dithermic\Core\Identification\Review;
use Dithermic\Core\Material\OwnValues;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Processes;

/** What is already in the shop, judged by the rules of today: listed for a lead, never changed by itself. */
final readonly class ShopReview
{
    private const MOST = 200;

    public function __construct(private PolymerLibrary $polymers, private Processes $processes)
    {
    }

    /** @return list<ReviewItemData> */
    public function __invoke(): array
    {
        return [...$this->lots(), ...$this->values(), ...$this->machines()];
    }

    /** @return list<ReviewItemData> */
    private function lots(): array
    {
        $review = new Review($this->polymers);
        $lots = Lot::query()->withHeld()
            ->whereIn('polymer', (new Knowledge)->lookAlikes)
            ->orderBy('id')
            ->limit(self::MOST)
            ->get()
            ->filter(static fn (Lot $l): bool => (float) $l->held_g > 0.5);
        $acts = Act::query()->where('kind', ActKind::Identified)
            ->whereIn('data->lot_id', $lots->pluck('id')->all())
            ->orderBy('at')
            ->get()
            ->keyBy(static fn (Act $a): int => (int) $a->data['lot_id']);
        $found = Identification::query()->whereKey(
            $acts->map(static fn (Act $a): string => (string) $a->data['identification_id'])->values()->all(),
        )->get()->keyBy('id');
        $items = [];
        foreach ($lots as $lot) {
            $act = $acts->get($lot->id);
            $doubts = $review->doubts(
                $lot->polymer,
                $act === null
                    ? null
                    : array_values($found->get((string) $act->data['identification_id'])->evidence ?? []),
            );
            if ($doubts !== null) {
                $items[] = new ReviewItemData(
                    'lot',
                    "Lot {$lot->code}",
                    $doubts,
                    'Find its polymer by the tests, or set it back to unknown.',
                    "/sort/lots/{$lot->id}",
                    $lot->id,
                );
            }
        }

        return $items;
    }

    /** @return list<ReviewItemData> */
    private function values(): array
    {
        $items = [];
        foreach ($this->polymers->all() as $polymer) {
            foreach ($polymer->overridden === [] ? [] : OwnValues::faults($polymer) as $fault) {
                $items[] = new ReviewItemData(
                    'polymer',
                    $polymer->code,
                    ucfirst($fault).'.',
                    'Set one of your own values right.',
                    '/shop',
                    null,
                );
            }
        }

        return $items;
    }

    /** @return list<ReviewItemData> */
    private function machines(): array
    {
        $items = [];
        foreach (Machine::query()->whereNotNull('last_polymer')->orderBy('id')->get() as $machine) {
            $polymer = $this->polymers->has((string) $machine->last_polymer)
                ? $this->polymers->get((string) $machine->last_polymer)
                : null;
            $why = match (true) {
                $polymer === null,
                $polymer->neverHot() => "still holds {$machine->last_polymer}, which must never get hot.",
                $this->processes->hasBarrel($machine->kind) && $polymer
                    ->breaksDownViolently() => "still holds {$polymer->code}: nobody knows for how long, and it breaks down into gas when it stands hot.",
                default => null,
            };
            if ($why !== null) {
                $items[] = new ReviewItemData(
                    'machine',
                    $machine->name,
                    "{$machine->name} {$why}",
                    'Purge it by a legal route or take it out cold before the heat goes on.',
                    '/shop',
                    null,
                );
            }
        }

        return $items;
    }
}
