<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Models\ContaminationNote;
use App\Material\Models\Drying;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\Contamination;

/**
 * A lot's whole history as docs/formats/lot.schema.json says: what it is, every line, every finding, every drying, its
 * kin.
 */
final readonly class LotHistory
{
    public function __construct(private PresentLot $present, private PolymerLibrary $polymers)
    {
    }

    /** @return array<string, mixed> */
    public function of(Lot $lot): array
    {
        $lines = LotMovement::query()
            ->with(['by', 'run:id,number', 'otherLot'])
            ->where('lot_id', $lot->id)
            ->orderBy('id')
            ->get();
        $findings = ContaminationNote::query()->with('by')->where('lot_id', $lot->id)->orderBy('at')->get();
        $dryings = Drying::query()->with(['machine', 'by'])->where('lot_id', $lot->id)->orderBy('started_at')->get();
        $data = $this->present->lot($lot);

        return [
            'format' => 'dithermic.lot', 'version' => 1, 'lot' => (array) $data,
            'movements' => $lines->map(
                static fn (LotMovement $m): array => [
                    'at' => $m->at->toIso8601ZuluString('millisecond'),
                    'kind' => $m->kind->value,
                    'mass_g' => (float) $m->mass_g,
                    'reason' => $m->reason,
                    'by' => $m->by?->name,
                    'run' => $m->run?->number,
                    'other_lot' => $m->otherLot?->code,
                ],
            )->all(),
            'contamination' => $findings->map(function (ContaminationNote $n) use ($lot): array {
                $judged = new Contamination($this->polymers, $lot->polymer, $n->found, $n->found_g, $n->sample_g);

                return [
                    'at' => $n->at->toIso8601ZuluString('millisecond'),
                    'found' => $n->found,
                    'found_g' => $n->found_g,
                    'sample_g' => $n->sample_g,
                    'share_pct' => round($judged->share_pct, 4),
                    'verdict' => $judged->verdict,
                    'note' => $n->note,
                    'by' => $n->by->name,
                ];
            })->all(),
            'dryings' => $dryings->map(
                static fn (Drying $d): array => [
                    'dryer' => $d->machine->name,
                    'air_c' => $d->air_c,
                    'hours' => $d->hours,
                    'in' => $d->started_at->toIso8601ZuluString('millisecond'),
                    'out' => $d->out_at?->toIso8601ZuluString('millisecond'),
                    'came_out_dry' => $d->out_dry,
                    'by' => $d->by->name,
                ],
            )->all(),
        ];
    }
}
