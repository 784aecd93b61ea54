<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\Material\Models\ContaminationNote;
use App\Material\Models\Identification;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Support\ActKind;
use App\Material\Support\Ledger;
use App\Material\Support\MovementKind;
use App\People\Models\User;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Identification\Rank;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\Contamination;
use Dithermic\Core\Stock\PutRight;

/**
 * What is written down about a lot that stays where it is: a stock-take, waste, a place, a finding, what it turned out
 * to be.
 */
final readonly class NoteLot
{
    public function __construct(private Ledger $ledger, private PolymerLibrary $polymers)
    {
    }

    public function count(string $id, User $by, int $lotId, float $weighed, string $reason): Act
    {
        return $this->ledger->act($id, ActKind::Counted, $by, $reason, ['weighed_g' => $weighed], function (Act $act) use (
            $lotId,
            $weighed,
        ): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            $difference = $weighed - $this->ledger->held($lot);
            if (abs($difference) >= 0.5 && trim($act->reason) === '') {
                throw new InputError(
                    'reason',
                    sprintf('the scale and the book differ by %+.0f g: write why, as far as you know', $difference),
                );
            }
            $this->ledger->line($act, $lot, $difference, MovementKind::Counted);
        });
    }

    public function waste(string $id, User $by, int $lotId, float $mass, string $reason): Act
    {
        return $this->ledger->act($id, ActKind::Wasted, $by, $reason, [], function (Act $act) use (
            $lotId,
            $mass,
        ): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            if ($this->ledger->held($lot) < $mass) {
                throw new InputError('mass_g', "is more than lot {$lot->code} holds");
            }
            $this->ledger->line($act, $lot, -$mass, MovementKind::Wasted);
        });
    }

    /** @param  array{location: string, reserved_for_id: int|null, tare_g: float|null}  $to */
    public function place(string $id, User $by, int $lotId, string $from, array $to): Act
    {
        return $this->ledger->act($id, ActKind::Placed, $by, '', [
            'lot_id' => $lotId,
            'from' => $from,
            'to' => $to,
        ], function () use ($lotId, $from, $to): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            if ($lot->location !== $from) {
                throw new InputError('from', "somebody has put it to \"{$lot->location}\" meanwhile: look there first");
            }
            $lot->fill($to)->save();
        });
    }

    public function contamination(
        string $id,
        User $by,
        int $lotId,
        string $found,
        float $foundG,
        float $sampleG,
        string $note,
    ): Act {
        return $this->ledger->act($id, ActKind::Contaminated, $by, $note, ['lot_id' => $lotId], function (Act $act) use (
            $lotId,
            $found,
            $foundG,
            $sampleG,
            $note,
        ): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            new Contamination($this->polymers, $lot->polymer, $found, $foundG, $sampleG);
            ContaminationNote::query()->create([
                'act_id' => $act->id,
                'lot_id' => $lotId,
                'found' => $found,
                'found_g' => $foundG,
                'sample_g' => $sampleG,
                'note' => $note,
                'by_id' => $act->by_id,
                'at' => $act->at,
            ]);
        });
    }

    /**
     * A mass meant in kilograms and booked as grams: one act adds what is missing, once, and the first one stays as it
     * is.
     */
    public function putRight(string $id, User $by, string $actId): Act
    {
        $wrong = Act::query()->find($actId) ?? throw new InputError('act_id', 'there is no such act');
        $moved = $wrong->movements()->with('lot')->orderBy('id')->get();

        return $this->ledger->act($id, ActKind::PutRight, $by, "meant in kilograms: puts right what was {$wrong->kind->value}", ['act_id' => $wrong->id], function (Act $act) use (
            $wrong,
            $moved,
        ): void {
            $lots = $this->ledger->lock(array_values($moved->pluck('lot_id')->unique()->all()));
            if (
                Act::query()->where('kind', ActKind::PutRight)
                    ->whereRaw("data->>'act_id' = ?", [$wrong->id])
                    ->whereKeyNot($act->id)
                    ->exists()
            ) {
                throw new InputError('act_id', 'has been put right already');
            }
            $lines = array_values(
                $moved->map(
                    static fn (LotMovement $m): array => [
                        'lot' => $m->lot_id,
                        'name' => $lots[$m->lot_id]->code,
                        'mass_g' => (float) $m->mass_g,
                    ],
                )->all(),
            );
            foreach (PutRight::lines($wrong->kind->value, $lines, array_map($this->ledger->held(...), $lots)) as $i => $more) {
                $other = $moved[$i]?->other_lot_id;
                $this->ledger->line(
                    $act,
                    $lots[$lines[$i]['lot']],
                    $more,
                    MovementKind::PutRight,
                    $other === null ? null : $lots[$other] ?? null,
                );
            }
        });
    }

    /** What it is called is not believed any more: it is unknown until the tests have told, and stays cold. */
    public function doubt(string $id, User $by, int $lotId, string $reason): Act
    {
        $was = (string) Lot::query()->whereKey($lotId)->value('polymer');

        return $this->ledger->act($id, ActKind::Doubted, $by, $reason, [
            'lot_id' => $lotId,
            'polymer' => $was,
        ], function () use ($lotId, $was): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            if ($lot->polymer === Rank::UNKNOWN || $lot->polymer !== $was) {
                throw new InputError(
                    'lot_id',
                    $lot->polymer === Rank::UNKNOWN
                        ? "lot {$lot->code} is unknown already"
                        : 'has just been renamed by somebody else: look at it first',
                );
            }
            $lot->update(['polymer' => Rank::UNKNOWN]);
        });
    }

    /** An unknown lot that the tests have told after all. It becomes what they said and nothing else. */
    public function identify(string $id, User $by, int $lotId, string $identification): Act
    {
        $found = Identification::query()->find($identification) ?? throw new InputError(
            'identification_id',
            'is not one that was kept: find the polymer first',
        );

        return $this->ledger->act($id, ActKind::Identified, $by, '', [
            'lot_id' => $lotId,
            'identification_id' => $found->id,
            'polymer' => $found->decision,
        ], function () use ($lotId, $found): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            if ($lot->polymer !== Rank::UNKNOWN) {
                throw new InputError('lot_id', "lot {$lot->code} is {$lot->polymer} already");
            }
            if ($found->decision === Rank::UNKNOWN) {
                throw new InputError(
                    'identification_id',
                    'the tests did not decide: it stays unknown, in its own bin, and never goes hot',
                );
            }
            $lot->update(['polymer' => $found->decision]);
        });
    }
}
