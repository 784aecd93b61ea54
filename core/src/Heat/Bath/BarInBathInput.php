<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Bath;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\MaterialInput;

final readonly class BarInBathInput implements Checked
{
    /**
     * @param  list<float>  $skin_mm
     */
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field('the bar as the mould goes in', '°C', min: -50, max: 600)] public float $melt_c,
        #[Field('', '°C', min: -50, max: 300)] public float $bath_c,
        #[Field('', 'mm', min: 1, max: 2000)] public ?float $width_mm = null,
        #[Field('', 'mm', min: 1, max: 2000)] public ?float $height_mm = null,
        #[Field('instead of the sides', 'mm', min: 1, max: 2000)] public ?float $diameter_mm = null,
        #[Field('water or air')] public Medium $medium = Medium::Water,
        #[Field(
            'with the mould wall; 500 in water, 12 in air unless given',
            'W/m2K',
            above: 0,
            max: 1e6,
        )]
        public ?float $h_w_m2k = null,
        #[Field('look at it then', 'min', above: 0, max: 100000)] public ?float $minutes = null,
        #[Field('skins asked for', 'mm', of: 'number', min: 0.01, max: 1000, atMost: 50)] public array $skin_mm = [],
        #[Field('of the bar', 'mm', above: 0, max: 100000)] public ?float $length_mm = null,
        #[Field(
            'between its supports when stripped; the lesser of 600 and its length unless given',
            'mm',
            above: 0,
            max: 100000,
        )]
        public ?float $span_mm = null,
        #[Field('as it may sag then', 'mm', above: 0, max: 1000)] public float $sag_mm = 2.0,
        #[Field('of the warm skin', 'MPa', min: 0.1, max: 100000)] public float $modulus_mpa = 300.0,
        #[Field('add the section at moments from start to end')] public bool $with_section = false,
    ) {
    }

    public function check(): void
    {
        if ($this->diameter_mm === null && ($this->width_mm === null || $this->height_mm === null)) {
            throw new InputError(
                $this->width_mm === null && $this->height_mm === null
                    ? 'diameter_mm'
                    : ($this->width_mm === null ? 'width_mm' : 'height_mm'),
                'give both sides of the bar, or its diameter',
            );
        }
        if ($this->bath_c >= $this->melt_c) {
            throw new InputError('bath_c', 'is not colder than the melt');
        }
    }

    public function smallerMm(): float
    {
        return $this->diameter_mm ?? min((float) $this->width_mm, (float) $this->height_mm);
    }

    public function sectionMm2(): float
    {
        return $this->diameter_mm === null
            ? (float) $this->width_mm * (float) $this->height_mm
            : M_PI / 4 * $this->diameter_mm ** 2;
    }

    /** Second moment of area of a solid skin alone, lying as width × height, mm4. */
    public function inertiaMm4(float $skin): float
    {
        if ($this->diameter_mm !== null) {
            return M_PI / 64 * ($this->diameter_mm ** 4 - max(0.0, $this->diameter_mm - 2 * $skin) ** 4);
        }
        [$b, $h] = [(float) $this->width_mm, (float) $this->height_mm];

        return ($b * $h ** 3 - max(0.0, $b - 2 * $skin) * max(0.0, $h - 2 * $skin) ** 3) / 12;
    }
}
