<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Process\Settles;

/** What is known of a bar's mould, of which there may be several alike in circulation. Unknown is a value. */
final readonly class MouldFacts implements Settles
{
    public function __construct(
        public string $name = 'the mould',
        #[Field('inside', 'mm', above: 0, max: 100000)] public ?float $length_mm = null,
        #[Field('of the section inside', 'mm', min: 1, max: 2000)] public ?float $width_mm = null,
        #[Field('of the section inside', 'mm', min: 1, max: 2000)] public ?float $height_mm = null,
        #[Field('inside of a round one', 'mm', min: 1, max: 2000)] public ?float $diameter_mm = null,
        #[Field('alike, in circulation', '', min: 1, max: 100)] public ?float $moulds = null,
        #[Field('of one, empty', 'kg', min: 0, max: 10000)] public ?float $mould_kg = null,
        #[Field('to take it off and the next one on', 's', above: 0, max: 3600)] public ?float $swap_s = null,
        #[Field('what it takes over the physics of cooling', '', min: 0.1, max: 10)] public ?float $cool_factor = null,
        #[Field('fillings that each of them stands', '', min: 1, max: 1e7)] public ?float $life_fills = null,
        #[Field('bars made in them, counted by the shop', '', min: 0, max: 1e9)] public ?float $made = null,
    ) {
    }

    public function calledAs(): string
    {
        return $this->name;
    }

    /** What it settles of a bar. */
    public function settings(): BarSettings
    {
        return new BarSettings(
            length_mm: $this->length_mm,
            width_mm: $this->width_mm,
            height_mm: $this->height_mm,
            diameter_mm: $this->diameter_mm,
            swap_s: $this->swap_s,
            moulds: $this->moulds,
            mould_kg: $this->mould_kg,
            cool_factor: $this->cool_factor,
        );
    }
}
