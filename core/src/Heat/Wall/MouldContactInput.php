<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Wall;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\MaterialInput;

final readonly class MouldContactInput implements Checked
{
    private const AIR_W_M2K = 10.0;

    private const WATER_W_M2K = 1000.0;

    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field('', 'mm', min: 0.01, max: 100)] public float $wall_mm,
        #[Field('', '°C', min: -50, max: 600)] public float $melt_c,
        #[Field('at the start', '°C', min: -50, max: 500)] public float $mould_c,
        #[Field('', '°C', min: -50, max: 600)] public float $eject_c,
        #[Field('steel, aluminium, printed_resin or {k, rho, cp}')] public mixed $mould,
        #[Field('', 'mm', min: 0.01, max: 500)] public float $mould_thickness_mm = 15.0,
        #[Field('', '', min: 1, max: 200)] public int $cycles = 20,
        #[Field('part to mould', 'W/m2K', above: 0, max: 1e6)] public float $contact_w_m2k = 1500.0,
        #[Field(
            'behind the mould, for its cavity area; 10 in air and 1000 in water, times area_ratio, unless given',
            'W/m2K',
            min: 0,
            max: 1e6,
        )]
        public ?float $back_h_w_m2k = null,
        #[Field(
            'outer area of the mould over that of its cavity',
            '',
            min: 0.1,
            max: 100,
        )]
        public float $area_ratio = 4.0,
        #[Field('the closed mould cools in water')] public bool $in_water = false,
        #[Field('', '°C', min: -50, max: 400)] public float $back_c = 25.0,
        #[Field('mould stands open', 's', min: 0, max: 3600)] public float $open_s = 20.0,
    ) {
    }

    public function check(): void
    {
        if ($this->eject_c <= $this->mould_c) {
            throw new InputError('eject_c', 'the part never gets below the mould');
        }
        if ($this->eject_c >= $this->melt_c) {
            throw new InputError('eject_c', 'is not below the melt');
        }
    }

    /** Behind the mould, for each m2 of cavity, W/m2K. A free mould gives heat off from its whole outside. */
    public function back(): float
    {
        return $this->back_h_w_m2k ?? $this->area_ratio * ($this->in_water ? self::WATER_W_M2K : self::AIR_W_M2K);
    }
}
