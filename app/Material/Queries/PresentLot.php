<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Data\DryingData;
use App\Material\Data\LotData;
use App\Material\Data\SourceData;
use App\Material\Models\Drying;
use App\Material\Models\Lot;
use App\Material\Models\Source;
use App\Support\Seconds;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\LotForm;

/** Lots and where they come from as the Data classes that go over the wire. */
final readonly class PresentLot
{
    public function __construct(
        private PolymerLibrary $polymers,
        private Dryness $dryness,
    ) {
    }

    public function source(Source $source): SourceData
    {
        return new SourceData($source->id, $source->name, $source->state->value, $source->note);
    }

    public function lot(Lot $lot): LotData
    {
        $exposure = $this->dryness->exposure($lot);

        return new LotData(
            $lot->id,
            $lot->code,
            $lot->polymer,
            $lot->form,
            LotForm::from($lot->form)->madeSmall()?->value,
            $lot->colour,
            $lot->swatch,
            $lot->location,
            Dryness::told($lot, $exposure)->value,
            round((float) $lot->held_g, 3),
            $this->source($lot->source),
            $lot->generation,
            $lot->tare_g === null ? null : (float) $lot->tare_g,
            $lot->sheet === null ? null : (object) $lot->sheet,
            $lot->reserved_for_id,
            $lot->reservedFor?->name,
            $lot->picture_id,
            $exposure?->minutes_left, $this->neverHot($lot->polymer),
        );
    }

    public function drying(Drying $d): DryingData
    {
        return new DryingData(
            $d->id,
            $d->machine->name,
            $d->lot_id,
            $d->lot->code,
            $d->lot->polymer,
            $d->lot->swatch,
            round((float) $d->lot->held_g, 3),
            $d->air_c,
            $d->hours,
            Seconds::of($d->started_at),
            Seconds::of($d->ready_at),
            $d->wanted_at === null ? null : Seconds::of($d->wanted_at),
            $d->by->name,
        );
    }

    /** What is not known, and PVC, stays cold. */
    public function neverHot(string $polymer): bool
    {
        return ! $this->polymers->has($polymer) || $this->polymers->get($polymer)->neverHot();
    }
}
