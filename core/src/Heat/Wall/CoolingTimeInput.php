<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Wall;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\MaterialInput;

final readonly class CoolingTimeInput implements Checked
{
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field('of the wall', 'mm', min: 0.01, max: 500)] public float $thickness_mm,
        #[Field('', '°C', min: -50, max: 600)] public float $melt_c,
        #[Field('', '°C', min: -50, max: 600)] public float $mould_c,
        #[Field('', '°C', min: -50, max: 600)] public float $eject_c,
        #[Field('centre or mean of the wall')] public Criterion $criterion = Criterion::Centre,
        #[Field('or name a polymer', 'm2/s', above: 0, max: 0.001)] public ?float $diffusivity_m2_s = null,
    ) {
    }

    public function check(): void
    {
        if ($this->eject_c <= $this->mould_c) {
            throw new InputError('eject_c', 'the wall never gets below the mould');
        }
        if ($this->eject_c >= $this->melt_c) {
            throw new InputError('eject_c', 'is not below the melt');
        }
    }
}
