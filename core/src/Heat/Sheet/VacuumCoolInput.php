<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Sheet;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\MaterialInput;

final readonly class VacuumCoolInput implements Checked
{
    /**
     * @param  list<float>  $wall_mm
     */
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field(
            'thinnest and thickest walls',
            'mm',
            of: 'number',
            min: 0.01,
            max: 50,
            atLeast: 1,
            atMost: 50,
        )]
        public array $wall_mm,
        #[Field('', '°C', min: -50, max: 600)] public float $sheet_c,
        #[Field('', '°C', min: -50, max: 400)] public float $mould_c,
        #[Field('', '°C', min: -50, max: 200)] public float $air_c,
        #[Field('', '°C', min: -50, max: 500)] public float $release_c,
        #[Field('', 'W/m2K', above: 0, max: 1e5)] public float $contact_w_m2k = 120.0,
        public bool $fan = false,
        #[Field('', 'mm', min: 0.01, max: 50)] public ?float $thickness_mm = null,
    ) {
    }

    public function check(): void
    {
        if ($this->release_c <= $this->mould_c && $this->release_c <= $this->air_c) {
            throw new InputError('release_c', 'neither mould nor air gets the part that cold');
        }
        if ($this->release_c <= max(min($this->mould_c, $this->air_c), -50.0) || $this->release_c >= $this->sheet_c) {
            throw new InputError(
                'release_c',
                $this->release_c >= $this->sheet_c ? 'is not below the sheet' : 'is colder than mould and air',
            );
        }
    }
}
