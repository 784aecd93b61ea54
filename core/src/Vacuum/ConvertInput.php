<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class ConvertInput implements Checked
{
    public function __construct(
        #[Field('', '', min: -1e7, max: 1e7)] public float $value,
        public PressureUnit $from,
        public PressureUnit $to,
        #[Field('', 'kPa', min: 20, max: 120)] public float $atmosphere_kpa = 101.325,
    ) {
    }

    public function check(): void
    {
        if ($this->from->toAbsoluteKpa($this->value, $this->atmosphere_kpa) < -1e-9) {
            throw new InputError('value', 'is below absolute zero pressure');
        }
    }
}
