<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class DrawInput implements Checked
{
    public function __construct(
        public Shape $shape,
        #[Field('', 'mm', above: 0, max: 5000)] public float $height_mm,
        #[Field('', 'mm', min: 0.01, max: 100)] public float $sheet_mm,
        #[Field('box, at the sheet plane', 'mm', above: 0, max: 10000)] public ?float $length_mm = null,
        #[Field('box, at the sheet plane', 'mm', above: 0, max: 10000)] public ?float $width_mm = null,
        #[Field('cone or dome, at the sheet plane', 'mm', min: 1, max: 10000)] public ?float $base_diameter_mm = null,
        #[Field('', '°', min: 0, below: 90)] public float $draft_deg = 0.0,
        #[Field('of the clamped sheet')] public ?Opening $opening = null,
    ) {
    }

    public function check(): void
    {
        foreach ($this->shape === Shape::Box ? ['length_mm', 'width_mm'] : ['base_diameter_mm'] as $field) {
            if ($this->{$field} === null) {
                throw new InputError($field, "is required for a {$this->shape->value}");
            }
        }
        $narrow = $this->shape === Shape::Box
            ? min((float) $this->length_mm, (float) $this->width_mm)
            : (float) $this->base_diameter_mm;
        if ($this->shape === Shape::Dome && $this->height_mm > $narrow / 2 + 1e-9) {
            throw new InputError('height_mm', 'a dome is at most half as high as wide');
        }
        if ($this->shape !== Shape::Dome && 2 * $this->height_mm * tan(deg2rad($this->draft_deg)) > $narrow + 1e-9) {
            throw new InputError('draft_deg', 'the walls meet before the full height');
        }
    }
}
