<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class TwoStageInput implements Checked
{
    public function __construct(
        #[Field('air under the sheet', 'l', above: 0, max: 1e6)] public float $box_l,
        #[Field('absolute, after the first stage', 'kPa', above: 0, max: 200)] public float $blower_kpa,
        #[Field('', 'l', above: 0, max: 1e6)] public float $tank_l,
        #[Field('absolute', 'kPa', min: 0, max: 200)] public float $tank_kpa,
        #[Field('', 'kPa', min: 20, max: 120)] public float $atmosphere_kpa = 101.325,
        #[Field('absolute, wanted under the sheet', 'kPa', above: 0, max: 200)] public ?float $target_kpa = null,
    ) {
    }

    public function check(): void
    {
        foreach (['blower_kpa', 'tank_kpa'] as $field) {
            if ($this->{$field} > $this->atmosphere_kpa) {
                throw new InputError($field, 'is above the atmosphere');
            }
        }
        if ($this->target_kpa !== null && $this->target_kpa <= $this->tank_kpa) {
            throw new InputError('target_kpa', 'no tank gets below its own pressure');
        }
    }
}
