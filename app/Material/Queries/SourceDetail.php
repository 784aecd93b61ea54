<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Data\SourceDetailData;
use App\Material\Data\SourceEventData;
use App\Material\Data\TrustStepData;
use App\Material\Models\ContaminationNote;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Models\Source;
use App\Material\Models\SourceEvent;
use App\Material\Support\MovementKind;
use App\Runs\Models\Run;
use App\Runs\Models\RunMaterial;
use App\Support\Seconds;
use Dithermic\Core\Safety\Scale;
use Dithermic\Core\Stock\Trust;
use Illuminate\Support\Facades\DB;

/** A source's page: what came from it, what became of it, and at which temperatures it worked. */
final readonly class SourceDetail
{
    private const USED = [MovementKind::Drawn, MovementKind::Weighed, MovementKind::Returned];

    private const CAME = [MovementKind::Delivered, MovementKind::Sorted];

    /** what came of it is told by so many of the last runs: years ago it may have been other stuff */
    private const RUNS = 1000;

    public function __construct(private PresentLot $present)
    {
    }

    public function of(Source $source): SourceDetailData
    {
        $events = SourceEvent::query()->with('by')
            ->where('source_id', $source->id)
            ->orderByDesc('at')
            ->limit(100)
            ->get();
        $lots = Lot::query()->withHeld()
            ->with(['source', 'reservedFor'])
            ->where('source_id', $source->id)
            ->orderByDesc('id')
            ->limit(50)
            ->get();
        // What was used is most of a ledger: it is what else came and went, less what is there. As the index of that
        // has it.
        $else = LotMovement::query()->join('lots', 'lots.id', '=', 'lot_movements.lot_id')
            ->where('lots.source_id', $source->id)
            ->whereRaw("kind not in ('".implode("', '", array_column(self::USED, 'value'))."')")
            ->groupBy('kind')
            ->selectRaw('kind, sum(lot_movements.mass_g) as mass_g')
            ->toBase()
            ->pluck('mass_g', 'kind')
            ->map(static fn (mixed $mass): float => (float) $mass);
        $delivered = (float) $else->only(array_column(self::CAME, 'value'))->sum();
        $used = (float) $else->sum() - (float) DB::table('lot_totals')->join(
            'lots',
            'lots.id',
            '=',
            'lot_totals.lot_id',
        )
            ->where('lots.source_id', $source->id)->sum('mass_g');
        $runs = $this->taught($source);
        $found = ContaminationNote::query()->join('lots', 'lots.id', '=', 'contaminations.lot_id')
            ->where('lots.source_id', $source->id)
            ->selectRaw('sum(found_g) as found, sum(sample_g) as sample')
            ->toBase()
            ->first();
        $temperatures = array_filter(
            [$runs->low, $runs->high, ...$events->pluck('worked_at_c')->all()],
            static fn ($c): bool => $c !== null,
        );

        return new SourceDetailData(
            $this->present->source($source),
            array_values(
                $events->map(
                    static fn (SourceEvent $e): SourceEventData => new SourceEventData(
                        $e->kind,
                        Trust::from($e->kind)->says(),
                        $e->state,
                        $e->worked_at_c,
                        $e->run_id,
                        $e->picture_id,
                        $e->note,
                        $e->by->name,
                        Seconds::of($e->at),
                    ),
                )->all(),
            ),
            array_values($lots->map(fn (Lot $l) => $this->present->lot($l))->all()),
            array_map(
                static fn (Scale $s): string => $s->value,
                array_values(array_filter(Scale::cases(), static fn (Scale $s): bool => $s->allows($source->state))),
            ),
            $delivered, $used, (int) $runs->n, (int) $runs->bad, $runs->n > 0 ? 100 * $runs->bad / $runs->n : null,
            $found?->sample > 0 ? 100 * (float) $found->found / (float) $found->sample : null,
            $temperatures === [] ? null : (float) min($temperatures),
            $temperatures === [] ? null : (float) max($temperatures),
            array_map(TrustStepData::of(...), Trust::openTo($source->state)),
        );
    }

    /** @return object{n: int, bad: int, low: float|null, high: float|null} what the last runs of its lots came to */
    private function taught(Source $source): object
    {
        $ofSource = RunMaterial::query()->select('run_id')->whereIn(
            'lot_id',
            Lot::query()->select('id')->where('source_id', $source->id),
        )->orderByDesc('id')->limit(self::RUNS);
        /** @var object{n: int, bad: int, low: float|null, high: float|null} */
        $runs = Run::query()->whereIn('id', $ofSource)
            ->whereNotNull('verdict')
            ->selectRaw(
                "count(*) as n, count(*) filter (where verdict = 'scrap') as bad, min(set_c) filter (where verdict = 'good') as low, max(set_c) filter (where verdict = 'good') as high",
            )->toBase()->first();

        return $runs;
    }
}
