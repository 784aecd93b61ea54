<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class LeakInput implements Checked
{
    public function __construct(
        #[Field('', 'l', above: 0, max: 1e6)] public float $volume_l,
        #[Field('absolute', 'kPa', min: 0, max: 200)] public float $start_kpa,
        #[Field('absolute', 'kPa', min: 0, max: 200)] public float $end_kpa,
        #[Field('', 's', above: 0, max: 1e8)] public float $seconds,
        #[Field('', 'kPa', min: 20, max: 120)] public float $atmosphere_kpa = 101.325,
    ) {
    }

    public function check(): void
    {
        if ($this->end_kpa < $this->start_kpa) {
            throw new InputError('end_kpa', 'a leak lets pressure rise, not fall');
        }
        foreach (['start_kpa', 'end_kpa'] as $field) {
            if ($this->{$field} >= $this->atmosphere_kpa) {
                throw new InputError($field, 'is at or above the atmosphere: there is no vacuum to leak');
            }
        }
    }
}
