<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Data\ChargeComponentData;
use App\Material\Data\ChargeData;
use App\Material\Data\WeighingData;
use App\Material\Models\Charge;
use App\Material\Models\Lot;
use App\Material\Models\Weighing;
use App\Material\Support\ChargeState;
use App\Support\Seconds;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Charge\BlendResult;
use Dithermic\Core\Charge\Regrind;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\ChargeLots;
use Illuminate\Support\Collection;

/**
 * A charge as the weigh bench shows it: for each component which lots to take from, how far it is, and what to do about
 * too much.
 */
final readonly class PresentCharge
{
    public const WHOLE = ['by', 'weighings.lot', 'weighings.by'];

    private const SUGGESTED = 6;

    public function __construct(
        private PresentLot $present,
        private Registry $calculations,
        private PolymerLibrary $polymers,
    ) {
    }

    public function charge(Charge $charge): ChargeData
    {
        $open = $charge->status === ChargeState::Weighing;
        $lots = $open ? $this->lots($charge) : new Collection;
        $weighed = [];
        foreach ($charge->weighings as $w) {
            $weighed[$w->component] = ($weighed[$w->component] ?? 0.0) + (float) $w->mass_g;
        }
        $total = (float) array_sum(array_column($charge->components, 'target_g'));
        $components = [];
        foreach ($charge->components as $i => $c) {
            $components[] = $this->component($charge, $c, round($weighed[$i] ?? 0.0, 3), $total, $lots);
        }

        return new ChargeData(
            $charge->id,
            $charge->number,
            sprintf('C-%04d', $charge->number),
            $charge->product_id,
            $charge->about,
            $charge->polymer,
            $charge->scale_g,
            $total,
            round(array_sum($weighed), 3),
            $this->mainLot($charge),
            $charge->status->value,
            $charge->run_id,
            $charge->by->name, Seconds::of($charge->created_at), $components,
            array_values(
                $charge->weighings->map(
                    static fn (Weighing $w): WeighingData => new WeighingData(
                        $w->id,
                        $w->component,
                        $w->lot_id,
                        $w->lot->code,
                        (float) $w->mass_g,
                        $w->how,
                        $w->reason,
                        $w->by->name,
                        Seconds::of($w->at),
                    ),
                )->all(),
            ),
            $open ? $this->premix($charge, $total) : null, $this->cautions($charge, $total),
        );
    }

    private function mainLot(Charge $charge): ?int
    {
        $grams = $charge->grams();

        return array_filter($grams, static fn (float $g): bool => $g > 0.001) === [] ? null : ChargeLots::main($grams);
    }

    /**
     * @param  array{name: string, swatch: string, target_g: float, kind: string}  $c
     * @param  Collection<int, Lot>  $lots
     */
    private function component(Charge $charge, array $c, float $in, float $total, Collection $lots): ChargeComponentData
    {
        $tolerance = max($charge->scale_g, $c['target_g'] * $charge->tolerance_pct / 100);
        $over = $in - $c['target_g'];
        $state = match (true) {
            $in === 0.0 => 'empty',
            $over < -$tolerance - 1e-6 => 'short',
            $over > $tolerance + 1e-6 => 'over',
            default => 'good',
        };
        // Too much of one: the whole charge grows until this share is right again.
        $grown = $state === 'over' ? round($total * $in / $c['target_g'] / $charge->scale_g) * $charge->scale_g : null;
        $first = $lots->sortBy(
            static fn (Lot $l): array => [
                mb_strtolower($l->colour) === mb_strtolower($c['name']) ? 0 : 1,
                ($l->generation > 0 || $l->form === 'regrind') === ($c['kind'] === 'regrind') ? 0 : 1,
                $l->reserved_for_id === $charge->product_id && $l->reserved_for_id !== null ? 0 : 1,
                $l->id,
            ],
        );

        return new ChargeComponentData(
            $c['name'],
            $c['swatch'],
            $c['kind'],
            $c['target_g'],
            $tolerance,
            $in,
            $state,
            array_values($first->take(self::SUGGESTED)->map(fn (Lot $l) => $this->present->lot($l))->all()),
            $grown === null
                ? null
                : sprintf(
                    '%.1f g too much: take it out again, or make %.0f g instead of %.0f g.',
                    $over,
                    $grown,
                    $total,
                ),
            $state === 'over' ? round($over, 3) : null,
            $grown,
        );
    }

    /**
     * Lots of the polymer with something in them that are not kept for another product, oldest first.
     *
     * @return Collection<int, Lot>
     */
    private function lots(Charge $charge): Collection
    {
        return Lot::query()->withHeld()->with(['source', 'reservedFor'])->where('polymer', $charge->polymer)
            ->where(
                static fn ($q) => $q->whereNull('reserved_for_id')->when(
                    $charge->product_id !== null,
                    static fn ($p) => $p->orWhere('reserved_for_id', $charge->product_id),
                ),
            )
            ->whereIn('form', ['flake', 'pellet', 'regrind', 'densified film'])
            ->orderBy('id')
            ->limit(60)
            ->get()
            ->filter(static fn (Lot $l): bool => (float) $l->held_g > 0)
            ->values();
    }

    private function premix(Charge $charge, float $total): ?object
    {
        $blend = $this->calculations->run(
            'charge.blend',
            [
                'total_mass_g' => $total,
                'scale_resolution_g' => $charge->scale_g,
                'components' => array_map(
                    static fn (array $c): array => ['name' => $c['name'], 'parts' => max(1e-9, $c['target_g'])],
                    $charge->components,
                ),
            ],
        );
        assert($blend instanceof BlendResult);

        return $blend->premix === null ? null : (object) (['says' => $blend->explanation] + (array) $blend->premix);
    }

    /** @return list<string> */
    private function cautions(Charge $charge, float $total): array
    {
        $again = 0.0;
        foreach ($charge->weighings as $w) {
            $again += $w->lot->generation > 0 || $w->lot->form === 'regrind' ? (float) $w->mass_g : 0.0;
        }
        $planned = array_sum(array_map(
            static fn (array $c): float => $c['kind'] === 'regrind' ? (float) $c['target_g'] : 0.0,
            $charge->components,
        ));
        $share = 100 * max($again, $planned) / max(1e-9, $total);

        $caution = Regrind::caution($this->polymers->get($charge->polymer), $share);

        return $caution === null ? [] : [$caution];
    }
}
