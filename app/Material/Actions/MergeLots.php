<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\Material\Models\Lot;
use App\Material\Queries\Dryness;
use App\Material\Support\ActKind;
use App\Material\Support\Ledger;
use App\Material\Support\MovementKind;
use App\People\Models\User;
use Carbon\CarbonImmutable;
use Dithermic\Core\Stock\Holding;
use Dithermic\Core\Stock\Merge;
use Dithermic\Core\Stock\Merged;
use Illuminate\Support\Facades\DB;

/**
 * Puts lots of one polymer together in a new container; what that does to colour, trust and dryness is computed and
 * kept.
 */
final readonly class MergeLots
{
    public function __construct(private Ledger $ledger, private Dryness $dryness)
    {
    }

    /** @param  list<array{id: int, mass_g: float}>  $parts */
    public function preview(array $parts): Merged
    {
        return DB::transaction(
            fn (): Merged => $this->merged($parts, $this->ledger->lock(array_column($parts, 'id'))),
        );
    }

    /**
     * @param  list<array{id: int, mass_g: float}>  $parts
     * @param  array{location: string, tare_g: float|null}  $container
     */
    public function __invoke(string $id, User $by, array $parts, array $container): Act
    {
        return $this->ledger->act($id, ActKind::Merged, $by, '', ['parts' => $parts], function (Act $act) use (
            $parts,
            $container,
        ): void {
            $lots = $this->ledger->lock(array_column($parts, 'id'));
            $merged = $this->merged($parts, $lots);
            $new = $this->ledger->open($container + [
                'source_id' => $lots[$parts[$merged->weakest]['id']]->source_id,
                'polymer' => $merged->polymer,
                'form' => $merged->form,
                'colour' => mb_substr($merged->colour, 0, 60),
                'swatch' => $merged->swatch, 'generation' => $merged->generation,
            ] + $this->exposure($merged, $lots));
            foreach ($parts as $i => ['id' => $lotId, 'mass_g' => $mass]) {
                $this->ledger->line($act, $lots[$lotId], -$mass, MovementKind::Merged, $new, "lots.{$i}.mass_g");
                $this->ledger->line($act, $new, $mass, MovementKind::Merged, $lots[$lotId]);
            }
        });
    }

    /**
     * @param  list<array{id: int, mass_g: float}>  $parts
     * @param  array<int, Lot>  $lots
     */
    private function merged(array $parts, array $lots): Merged
    {
        return Merge::of(array_map(
            fn (array $part): Holding => $this->holding($lots[$part['id']], $part['mass_g']),
            $parts,
        ));
    }

    private function holding(Lot $lot, float $mass): Holding
    {
        return new Holding(
            $lot->code,
            $mass,
            $lot->polymer,
            $lot->form,
            $lot->colour,
            $lot->swatch,
            $lot->generation,
            $this->dryness->state($lot),
            $lot->source->state,
        );
    }

    /**
     * A mixture that is dry has stood as long as its oldest part, in the worst hopper and the dampest air of any.
     *
     * @param  array<int, Lot>  $lots
     * @return array<string, mixed>
     */
    private function exposure(Merged $merged, array $lots): array
    {
        $dried = array_map(static fn (Lot $l): ?CarbonImmutable => $l->dried_at, $lots);
        if ($dried === [] || ! $merged->dry->isDry() || in_array(null, $dried, true)) {
            return ['dry_state' => $merged->dry];
        }

        return [
            'dry_state' => $merged->dry,
            'dried_at' => min($dried),
            'hopper' => in_array('open', array_map(static fn (Lot $l): ?string => $l->hopper, $lots), true)
                ? 'open'
                : 'closed',
            'rh_pct' => max(
                0.0,
                ...array_map(static fn (Lot $l): float => $l->rh_pct ?? Dryness::ROOM_RH_PCT, array_values($lots)),
            ),
        ];
    }
}
