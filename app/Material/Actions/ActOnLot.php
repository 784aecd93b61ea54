<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\People\Models\User;
use Illuminate\Support\ValidatedInput;

/** The one door to a lot: which verb does what was asked. */
final readonly class ActOnLot
{
    public function __construct(private PartLot $part, private NoteLot $note)
    {
    }

    /** @param  ValidatedInput  $with  the fields of this act, checked, and its id */
    public function __invoke(LotAct $kind, User $by, int $lotId, ValidatedInput $with): Act
    {
        $id = $with->string('id')->value();
        $reason = $with->string('reason')->value();
        $tare = $with->filled('tare_g') ? $with->float('tare_g') : null;
        $into = ['location' => $with->string('location')->value(), 'tare_g' => $tare];

        return match ($kind) {
            LotAct::Split => $this->part->split($id, $by, $lotId, $with->float('mass_g'), $into),
            LotAct::Shred => $this->part->shred(
                $id,
                $by,
                $lotId,
                $with->float('mass_in_g'),
                $with->float('mass_out_g'),
                $into,
            ),
            LotAct::Count => $this->note->count($id, $by, $lotId, $with->float('weighed_g'), $reason),
            LotAct::Waste => $this->note->waste($id, $by, $lotId, $with->float('mass_g'), $reason),
            LotAct::Place => $this->note->place($id, $by, $lotId, $with->string('from')->value(), $into + [
                'reserved_for_id' => $with->filled('reserved_for_id') ? $with->integer('reserved_for_id') : null,
            ]),
            LotAct::Contamination => $this->note->contamination(
                $id,
                $by,
                $lotId,
                $with->string('found')->value(),
                $with->float('found_g'),
                $with->float('sample_g'),
                $with->string('note')->value(),
            ),
            LotAct::Identify => $this->note->identify($id, $by, $lotId, $with->string('identification_id')->value()),
            LotAct::PutRight => $this->note->putRight($id, $by, $with->string('act_id')->value()),
            LotAct::Doubt => $this->note->doubt($id, $by, $lotId, $reason),
        };
    }
}
