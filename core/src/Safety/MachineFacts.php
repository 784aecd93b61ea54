<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class MachineFacts implements Checked
{
    public function __construct(
        #[Field('the shop\'s name for it')] public ?string $name = null,
        #[Field('polymer that is still in the barrel, or was last on the platens')] public ?string $last_polymer = null,
        #[Field('highest set-point the machine\'s manual allows', '°C', min: 0, max: 1000)] public ?float $max_c = null,
        #[Field('holds the mould shut', 'kN', min: 0, max: 1e6)] public ?float $clamp_kn = null,
        #[Field(
            'vacuum that its tank is built for, kPa below the air; false: not built for any',
        )]
        public mixed $tank_rated_kpa = null,
        #[Field(
            'largest sheet or mould that its bed takes',
            'mm',
            above: 0,
            max: 100000,
        )]
        public ?float $bed_length_mm = null,
        #[Field('', 'mm', above: 0, max: 100000)] public ?float $bed_width_mm = null,
    ) {
    }

    public function check(): void
    {
        $rated = $this->tank_rated_kpa;
        if (
            $rated !== null
            && ! is_bool($rated)
            && ((! is_int($rated) && ! is_float($rated)) || ! is_finite((float) $rated) || $rated < 0)
        ) {
            throw new InputError(
                'tank_rated_kpa',
                'must be a number of kPa, or false for a tank that is not built for vacuum',
            );
        }
    }
}
