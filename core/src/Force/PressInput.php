<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class PressInput implements Checked
{
    public function __construct(
        #[Field('of the sheet', 'mm', above: 0, max: 20000)] public float $length_mm,
        #[Field('of the sheet', 'mm', above: 0, max: 20000)] public float $width_mm,
        #[Field('hydraulic', 'bar', above: 0, max: 2000)] public ?float $gauge_bar = null,
        #[Field('', 'mm', min: 1, max: 2000)] public ?float $ram_diameter_mm = null,
        #[Field('', '', min: 1, max: 100)] public int $rams = 1,
        #[Field('instead of gauge and rams', 'kN', above: 0, max: 1e6)] public ?float $force_kn = null,
        #[Field('on the sheet', 'bar', above: 0, max: 1000)] public ?float $wanted_bar = null,
    ) {
    }

    public function check(): void
    {
        foreach ($this->force_kn === null ? ['gauge_bar', 'ram_diameter_mm'] : [] as $field) {
            if ($this->{$field} === null) {
                throw new InputError($field, 'is required: give gauge and rams, or the force');
            }
        }
    }
}
