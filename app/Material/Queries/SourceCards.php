<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Data\BroughtData;
use App\Material\Data\SourceCardData;
use App\Material\Data\TrustStepData;
use App\Material\Models\Source;
use App\Material\Support\MovementKind;
use App\Support\Seconds;
use Carbon\CarbonImmutable;
use Dithermic\Core\Stock\Trust;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Where material comes from, and what to expect of each: three questions however many sources there are.
 *
 * @phpstan-type Delivery object{source_id: int, code: string, polymer: string, form: string, colour: string,
 *     swatch: string, location: string, generation: int, tare_g: string|null, sheet: string|null,
 *     reserved_for_id: int|null, mass_g: string, at: string}
 */
final readonly class SourceCards
{
    /** newest deliveries of a source that are looked at */
    private const LOOKED_AT = 8;

    private const DAY_S = 86_400;

    public function __construct(private PresentLot $present)
    {
    }

    /** @return list<SourceCardData> those that brought something lately first */
    public function all(): array
    {
        $brought = $this->brought();
        $held = $this->held();
        $cards = Source::query()->orderBy('name')->get()->map(fn (Source $source): SourceCardData => $this->card(
            $source,
            $brought->get($source->id, new Collection),
            $held[$source->id] ?? null,
        ));

        return array_values($cards->sortByDesc(
            static fn (SourceCardData $card): float => $card->brought[0]->at ?? 0.0,
        )->all());
    }

    /**
     * @param  Collection<int, Delivery>  $brought  newest first
     * @param  array{held_g: float, trial_lot: string|null}|null  $held
     */
    private function card(Source $source, Collection $brought, ?array $held): SourceCardData
    {
        $data = $this->present->source($source);
        $kinds = $brought->unique(
            static fn (object $d): string => "{$d->polymer}|{$d->form}|{$d->colour}",
        );

        return new SourceCardData(
            $data->id,
            $data->name,
            $data->state,
            $data->note,
            round($held['held_g'] ?? 0.0, 3),
            array_values($kinds->map(self::delivery(...))->all()),
            self::everyDays($brought),
            $held['trial_lot'] ?? null,
            array_map(TrustStepData::of(...), Trust::openTo($source->state)),
        );
    }

    /** @param  Delivery  $d */
    private static function delivery(object $d): BroughtData
    {
        return new BroughtData(
            $d->code,
            $d->polymer,
            $d->form,
            $d->colour,
            $d->swatch,
            $d->location,
            $d->generation,
            $d->tare_g === null ? null : (float) $d->tare_g,
            $d->sheet === null ? null : json_decode($d->sheet, false, 8, JSON_THROW_ON_ERROR),
            $d->reserved_for_id,
            (float) $d->mass_g,
            Seconds::of(CarbonImmutable::parse($d->at)),
        );
    }

    /** @param  Collection<int, Delivery>  $brought */
    private static function everyDays(Collection $brought): ?float
    {
        $days = $brought->map(
            static fn (object $d): int => intdiv((int) CarbonImmutable::parse($d->at)->format('U'), self::DAY_S),
        )->unique()->values();
        $between = $days->sliding()->map(static fn (Collection $two): int => $two->first() - $two->last());

        return $between->isEmpty() ? null : (float) $between->median();
    }

    /** @return Collection<int, Collection<int, Delivery>> the newest deliveries by source */
    private function brought(): Collection
    {
        /** @var list<Delivery> $deliveries */
        $deliveries = DB::select(
            <<<'SQL'
                select s.id as source_id, d.*
                from sources s
                cross join lateral (
                    select l.code, l.polymer, l.form, l.colour, l.swatch, l.location, l.generation, l.tare_g, l.sheet,
                        l.reserved_for_id, m.mass_g, m.at
                    from lots l
                    join lot_movements m on m.lot_id = l.id and m.kind = ?
                    where l.source_id = s.id
                    order by l.id desc
                    limit ?
                ) d
                order by s.id, d.at desc
                SQL,
            [MovementKind::Delivered->value, self::LOOKED_AT],
        );
        $bySource = [];
        foreach ($deliveries as $delivery) {
            $bySource[$delivery->source_id][] = $delivery;
        }

        return (new Collection($bySource))->map(static fn (array $of): Collection => new Collection($of));
    }

    /** @return array<int, array{held_g: float, trial_lot: string|null}> what is here by source, and the lot of it that may be hot and holds most */
    private function held(): array
    {
        /** @var list<object{source_id: int, code: string, polymer: string, held_g: string}> $lots */
        $lots = DB::select(
            <<<'SQL'
                select l.source_id, l.code, l.polymer, t.mass_g as held_g
                from lots l
                join lot_totals t on t.lot_id = l.id
                where t.mass_g > 0
                order by held_g desc, l.id
                SQL,
        );
        $held = [];
        foreach ($lots as $lot) {
            $of = $held[$lot->source_id] ?? ['held_g' => 0.0, 'trial_lot' => null];
            $held[$lot->source_id] = [
                'held_g' => $of['held_g'] + (float) $lot->held_g,
                'trial_lot' => $of['trial_lot'] ?? ($this->present->neverHot($lot->polymer) ? null : $lot->code),
            ];
        }

        return $held;
    }
}
