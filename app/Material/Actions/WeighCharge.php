<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\Material\Models\Charge;
use App\Material\Models\Lot;
use App\Material\Models\Weighing;
use App\Material\Support\ActKind;
use App\Material\Support\ChargeState;
use App\Material\Support\Ledger;
use App\Material\Support\MovementKind;
use App\People\Models\User;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;

/**
 * A charge at the scale: each weighing comes off its lot at once; an unused charge goes back to the lots it came from.
 */
final readonly class WeighCharge
{
    public function __construct(private Ledger $ledger)
    {
    }

    /** Grams into the charge, or out of it again (negative) into the lot that they came from. */
    public function weigh(
        string $id,
        User $by,
        Charge $charge,
        int $component,
        int $lotId,
        float $mass,
        string $how,
        string $reason,
    ): Act {
        return $this->ledger->act($id, ActKind::Weighed, $by, $reason, ['charge_id' => $charge->id], function (Act $act) use (
            $charge,
            $component,
            $lotId,
            $mass,
            $how,
            $reason,
        ): void {
            $open = $this->open($charge, ChargeState::Weighing);
            $lot = $this->ledger->lock([$lotId])[$lotId];
            $this->mayGoIn($open, $component, $lot, $reason);
            if (
                $mass < 0
                && (float) Weighing::query()->where([
                    'charge_id' => $open->id,
                    'component' => $component,
                    'lot_id' => $lotId,
                ])->sum('mass_g') + $mass < -0.0005
            ) {
                throw new InputError('mass_g', "is more than went in from lot {$lot->code}");
            }
            $this->ledger->line($act, $lot, -$mass, MovementKind::Weighed, chargeId: $open->id);
            Weighing::query()->create([
                'id' => $act->id,
                'charge_id' => $open->id,
                'component' => $component,
                'lot_id' => $lotId,
                'mass_g' => $mass,
                'how' => $how,
                'reason' => $reason,
                'by_id' => $act->by_id,
                'at' => $act->at,
            ]);
        });
    }

    private function mayGoIn(Charge $charge, int $component, Lot $lot, string $reason): void
    {
        if (! isset($charge->components[$component])) {
            throw new InputError('component', 'is not one of this charge');
        }
        if ($lot->polymer !== $charge->polymer) {
            throw new InputError(
                'lot_id',
                "stop: lot {$lot->code} is {$lot->polymer} and this charge is {$charge->polymer}",
            );
        }
        if ($lot->reserved_for_id !== null && $lot->reserved_for_id !== $charge->product_id && trim($reason) === '') {
            throw new InputError(
                'lot_id',
                "lot {$lot->code} is kept for {$lot->reservedFor?->name}: take another, or write a reason",
            );
        }
    }

    /** Weighs anew for another total: every target in proportion, for what is in already cannot be taken apart. */
    public function rescale(string $id, User $by, Charge $charge, float $total): Act
    {
        return $this->ledger->act($id, ActKind::Rescaled, $by, '', [
            'charge_id' => $charge->id,
            'total_g' => $total,
        ], function () use ($charge, $total): void {
            $open = $this->open($charge, ChargeState::Weighing);
            $factor = $total / array_sum(array_column($open->components, 'target_g'));
            $open->update([
                'components' => array_map(
                    static fn (array $c): array => [
                        'target_g' => round($c['target_g'] * $factor / $open->scale_g) * $open->scale_g,
                    ] + $c,
                    $open->components,
                ),
            ]);
        });
    }

    public function finish(string $id, User $by, Charge $charge): Act
    {
        return $this->ledger->act($id, ActKind::Charged, $by, '', ['charge_id' => $charge->id], function () use ($charge): void {
            $open = $this->open($charge, ChargeState::Weighing);
            foreach ($open->components as $i => $component) {
                $in = (float) $open->weighings()->where('component', $i)->sum('mass_g');
                $tolerance = $component['target_g'] * $open->tolerance_pct / 100;
                if (abs($in - $component['target_g']) > max($tolerance, $open->scale_g) + 1e-6) {
                    throw new InputError(
                        'components',
                        sprintf(
                            '%s holds %.1f g of %.1f g: bring it into tolerance first',
                            $component['name'],
                            $in,
                            $component['target_g'],
                        ),
                    );
                }
            }
            $open->update(['status' => ChargeState::Waiting]);
        });
    }

    public function giveBack(string $id, User $by, Charge $charge, string $reason): Act
    {
        return $this->ledger->act($id, ActKind::Returned, $by, $reason, ['charge_id' => $charge->id], function (Act $act) use ($charge): void {
            $open = $this->open($charge, ChargeState::Weighing, ChargeState::Waiting);
            $byLot = $open->weighings()
                ->reorder()
                ->selectRaw('lot_id, sum(mass_g) as mass_g')
                ->groupBy('lot_id')
                ->pluck('mass_g', 'lot_id');
            $lots = $this->ledger->lock(array_values($byLot->keys()->map(static fn ($id): int => (int) $id)->all()));
            foreach ($lots as $lotId => $lot) {
                if ((float) $byLot[$lotId] > 0) {
                    $this->ledger->line(
                        $act,
                        $lot,
                        (float) $byLot[$lotId],
                        MovementKind::Returned,
                        chargeId: $open->id,
                    );
                }
            }
            $open->update(['status' => ChargeState::Returned, 'closed_at' => CarbonImmutable::now()]);
        });
    }

    private function open(Charge $charge, ChargeState ...$states): Charge
    {
        $locked = Charge::query()->whereKey($charge->id)->lockForUpdate()->firstOrFail();
        if (! in_array($locked->status, $states, true)) {
            throw new InputError('charge', match ($locked->status) {
                ChargeState::Used => 'went into its run already',
                ChargeState::Returned => 'was given back to its lots',
                ChargeState::Waiting => 'is weighed and waits for its run',
                default => 'is not weighed out yet',
            });
        }

        return $locked;
    }
}
