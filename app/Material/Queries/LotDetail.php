<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Data\ContaminationData;
use App\Material\Data\LotDetailData;
use App\Material\Data\LotLinkData;
use App\Material\Data\LotStepData;
use App\Material\Data\MovementData;
use App\Material\Models\Act;
use App\Material\Models\ContaminationNote;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Support\MovementKind;
use App\Support\Seconds;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\Contamination;
use Dithermic\Core\Stock\LotStep;
use Dithermic\Core\Stock\PutRight;

/** A lot's page: its ledger with the balance after each line, its kin, and the foreign matter found in it. */
final readonly class LotDetail
{
    private const LINES = 100;

    private const KIN = 50;

    private const SAMPLES = 20;

    public function __construct(
        private PresentLot $present,
        private PolymerLibrary $polymers,
        private Dryness $dryness,
    ) {
    }

    public function of(Lot $lot): LotDetailData
    {
        $contamination = $this->contamination($lot);
        $next = LotStep::of(
            $this->polymers,
            $lot->polymer,
            $lot->form,
            $this->dryness->state($lot),
            $lot->source->state,
            $contamination !== [],
        );

        return new LotDetailData(
            $this->present->lot($lot),
            $this->ledger($lot),
            $this->kin($lot, '>'),
            $this->kin($lot, '<'),
            $contamination,
            array_map(LotStepData::of(...), $next),
        );
    }

    /** @return list<MovementData> the newest first, each with what the lot held after it */
    private function ledger(Lot $lot): array
    {
        $righted = $this->righted($lot);
        $balance = (float) $lot->held_g;
        $lines = [];
        $movements = $lot
            ->movements()
            ->with(['by', 'run:id,number', 'otherLot'])
            ->orderByDesc('id')
            ->limit(self::LINES)
            ->get();
        foreach ($movements as $m) {
            $lines[] = new MovementData(
                $m->id,
                (float) $m->mass_g,
                $m->kind->value,
                $m->reason,
                $m->run_id,
                $m->run?->number,
                $m->by?->name,
                Seconds::of($m->at),
                round($balance, 3),
                $m->other_lot_id,
                $m->otherLot?->code,
                $m->charge_id,
                $m->act_id,
                PutRight::offers($m->kind->value, (float) $m->mass_g) && ! isset($righted[$m->act_id]),
            );
            $balance -= (float) $m->mass_g;
        }

        return $lines;
    }

    /** @return array<string, int> the acts whose mass was put right already, as keys */
    private function righted(Lot $lot): array
    {
        $righting = $lot->movements()->where('kind', MovementKind::PutRight)->select('act_id');

        return array_flip(array_map(
            static fn (Act $a): string => (string) $a->data['act_id'],
            Act::query()->whereIn('id', $righting)->get()->all(),
        ));
    }

    /** @return list<LotLinkData> */
    private function kin(Lot $lot, string $sign): array
    {
        return array_values(LotMovement::query()->with('otherLot')
            ->where('lot_id', $lot->id)
            ->whereNotNull('other_lot_id')
            ->where('mass_g', $sign, 0)
            ->orderBy('id')
            ->limit(self::KIN)
            ->get()
            ->map(static fn (LotMovement $m): LotLinkData => new LotLinkData(
                (int) $m->other_lot_id,
                (string) $m->otherLot?->code,
                (string) $m->otherLot?->polymer,
                (string) $m->otherLot?->swatch,
                $m->kind->value,
                abs((float) $m->mass_g),
                Seconds::of($m->at),
            ))->all());
    }

    /** @return list<ContaminationData> */
    private function contamination(Lot $lot): array
    {
        return array_values(ContaminationNote::query()->with('by')
            ->where('lot_id', $lot->id)
            ->orderByDesc('at')
            ->limit(self::SAMPLES)
            ->get()
            ->map(function (ContaminationNote $n) use ($lot): ContaminationData {
                $judged = new Contamination($this->polymers, $lot->polymer, $n->found, $n->found_g, $n->sample_g);

                return new ContaminationData(
                    $n->found,
                    $n->found_g,
                    $n->sample_g,
                    $judged->share_pct,
                    $judged->allowed_pct,
                    $judged->verdict,
                    $judged->because,
                    $n->note,
                    $n->by->name,
                    Seconds::of($n->at),
                );
            })->all());
    }
}
