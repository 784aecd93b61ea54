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
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field('', 'mm', above: 0, max: 100)] public float $wall_mm,
        #[Field('', '°C', min: -50, max: 600)] public float $melt_c,
        #[Field('at the start', '°C', min: -50, max: 500)] public float $mould_c,
        #[Field('', '°C', min: -50, max: 600)] public float $eject_c,
        #[Field('steel, aluminium, printed_resin or {k, rho, cp}')] public mixed $mould,
        #[Field('', 'mm', above: 0, max: 500)] public float $mould_thickness_mm = 15.0,
        #[Field('', '', min: 1, max: 200)] public int $cycles = 20,
        #[Field('part to mould', 'W/m2K', above: 0, max: 1e6)] public float $contact_w_m2k = 1500.0,
        #[Field('behind the mould', 'W/m2K', min: 0, max: 1e6)] public float $back_h_w_m2k = 10.0,
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
}
