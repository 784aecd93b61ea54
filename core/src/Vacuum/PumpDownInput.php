<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class PumpDownInput implements Checked
{
    public function __construct(
        #[Field('', 'l', above: 0, max: 1e6)] public float $volume_l,
        #[Field('of the pump', 'l/min', above: 0, max: 1e7)] public float $speed_l_min,
        #[Field('absolute', 'kPa', above: 0, max: 200)] public float $start_kpa,
        #[Field('absolute', 'kPa', above: 0, max: 200)] public float $target_kpa,
        #[Field('lowest the pump reaches', 'kPa', min: 0, max: 200)] public float $ultimate_kpa = 0.0,
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
        if ($this->target_kpa <= $this->ultimate_kpa) {
            throw new InputError(
                'target_kpa',
                "this pump never gets below {$this->ultimate_kpa} kPa: ask for more, or use another pump",
            );
        }
        if ($this->target_kpa >= $this->start_kpa) {
            throw new InputError('target_kpa', 'is not below the start');
        }
    }
}
