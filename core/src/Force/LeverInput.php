<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class LeverInput implements Checked
{
    public function __construct(
        #[Field('', 'mm', min: 1, max: 1000)] public float $plunger_diameter_mm,
        #[Field('', 'N', above: 0, max: 1e5)] public ?float $hand_force_n = null,
        #[Field('pivot to hand', 'mm', above: 0, max: 1e5)] public ?float $lever_long_mm = null,
        #[Field('pivot to plunger', 'mm', above: 0, max: 1e5)] public ?float $lever_short_mm = null,
        #[Field('of the motor', 'Nm', above: 0, max: 1e6)] public ?float $torque_nm = null,
        #[Field('', 'mm', above: 0, max: 1e4)] public ?float $drum_radius_mm = null,
        #[Field('of the gear', '', above: 0, max: 1e4)] public float $ratio = 1.0,
    ) {
    }

    public function check(): void
    {
        $needed = $this->torque_nm !== null || $this->drum_radius_mm !== null
            ? ['torque_nm', 'drum_radius_mm']
            : ['hand_force_n', 'lever_long_mm', 'lever_short_mm'];
        foreach ($needed as $field) {
            if ($this->{$field} === null) {
                throw new InputError(
                    $field,
                    'is required: give hand force and both lever arms, or torque and drum radius',
                );
            }
        }
    }
}
