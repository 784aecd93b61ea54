<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Act;
use App\Models\ContaminationNote;
use App\Models\Identification;
use App\Models\LotMovement;
use App\Models\User;
use App\Support\Ledger;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Identification\Rank;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\Contamination;

/** What is written down about a lot that stays where it is: a stock-take, waste, a place, a finding, what it turned out to be. */
final readonly class NoteLot
{
    public function __construct(private Ledger $ledger, private PolymerLibrary $polymers)
    {
    }

    public function count(string $id, User $by, int $lotId, float $weighed, string $reason): Act
    {
        return $this->ledger->act($id, LotMovement::COUNTED, $by, $reason, ['weighed_g' => $weighed], function (Act $act) use ($lotId, $weighed): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            $difference = $weighed - $this->ledger->held($lot);
            if (abs($difference) >= 0.5 && trim($act->reason) === '') {
                throw new InputError('reason', sprintf('the scale and the book differ by %+.0f g: write why, as far as you know', $difference));
            }
            $this->ledger->line($act, $lot, $difference, LotMovement::COUNTED);
        });
    }

    public function waste(string $id, User $by, int $lotId, float $mass, string $reason): Act
    {
        return $this->ledger->act($id, LotMovement::WASTED, $by, $reason, [], function (Act $act) use ($lotId, $mass): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            if ($this->ledger->held($lot) < $mass) {
                throw new InputError('mass_g', "is more than lot {$lot->code} holds");
            }
            $this->ledger->line($act, $lot, -$mass, LotMovement::WASTED);
        });
    }

    /** @param  array{location: string, reserved_for_id: int|null, tare_g: float|null}  $to */
    public function place(string $id, User $by, int $lotId, string $from, array $to): Act
    {
        return $this->ledger->act($id, 'placed', $by, '', ['lot_id' => $lotId, 'from' => $from, 'to' => $to], function () use ($lotId, $from, $to): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            if ($lot->location !== $from) {
                throw new InputError('from', "somebody has put it to \"{$lot->location}\" meanwhile: look there first");
            }
            $lot->fill($to)->save();
        });
    }

    public function contamination(string $id, User $by, int $lotId, string $found, float $foundG, float $sampleG, string $note): Act
    {
        return $this->ledger->act($id, 'contaminated', $by, $note, ['lot_id' => $lotId], function (Act $act) use ($lotId, $found, $foundG, $sampleG, $note): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            new Contamination($this->polymers, $lot->polymer, $found, $foundG, $sampleG);
            ContaminationNote::query()->create(['act_id' => $act->id, 'lot_id' => $lotId, 'found' => $found, 'found_g' => $foundG, 'sample_g' => $sampleG, 'note' => $note, 'by_id' => $act->by_id, 'at' => $act->at]);
        });
    }

    /** An unknown lot that the tests have told after all. It becomes what they said and nothing else. */
    public function identify(string $id, User $by, int $lotId, string $identification): Act
    {
        $found = Identification::query()->find($identification) ?? throw new InputError('identification_id', 'is not one that was kept: find the polymer first');

        return $this->ledger->act($id, 'identified', $by, '', ['lot_id' => $lotId, 'identification_id' => $found->id, 'polymer' => $found->decision], function () use ($lotId, $found): void {
            $lot = $this->ledger->lock([$lotId])[$lotId];
            if ($lot->polymer !== Rank::UNKNOWN) {
                throw new InputError('lot_id', "lot {$lot->code} is {$lot->polymer} already");
            }
            if ($found->decision === Rank::UNKNOWN) {
                throw new InputError('identification_id', 'the tests did not decide: it stays unknown, in its own bin, and never goes hot');
            }
            $lot->update(['polymer' => $found->decision]);
        });
    }
}
