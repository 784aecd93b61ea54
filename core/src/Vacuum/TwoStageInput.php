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
        #[Field(
            'how fast the blower draws; with valve_l_min the pull is given over time',
            'l/min',
            above: 0,
            max: 1e7,
        )]
        public ?float $blower_l_min = null,
        #[Field(
            'how fast air goes through the hose and valve to the tank',
            'l/min',
            above: 0,
            max: 1e7,
        )]
        public ?float $valve_l_min = null,
        #[Field(
            'the sheet can be formed for so long; see heat.vacuum_sheet',
            's',
            above: 0,
            max: 3600,
        )]
        public ?float $form_within_s = null,
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
