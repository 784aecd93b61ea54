<?php

declare(strict_types=1);

namespace Dithermic\Core\Flow;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** A piece of the way that the melt takes: a slit (wall of the part) or a round channel (sprue, runner). */
final readonly class Way implements Checked
{
    public function __construct(
        public WayKind $kind,
        #[Field('', 'mm', min: 0.01, max: 10000)] public float $length_mm,
        #[Field('of a slit', 'mm', min: 0.01, max: 10000)] public ?float $width_mm = null,
        #[Field('of a slit', 'mm', min: 0.01, max: 300)] public ?float $height_mm = null,
        #[Field('of a round one', 'mm', min: 0.1, max: 300)] public ?float $diameter_mm = null,
    ) {
    }

    public function check(): void
    {
        foreach ($this->kind === WayKind::Slit ? ['width_mm', 'height_mm'] : ['diameter_mm'] as $field) {
            if ($this->{$field} === null) {
                throw new InputError($field, "is required for a {$this->kind->value} way");
            }
        }
    }

    /** The height of a slit, the radius of a round way, mm. */
    public function gapMm(): float
    {
        return $this->kind === WayKind::Slit ? (float) $this->height_mm : (float) $this->diameter_mm / 2;
    }

    public function volumeMm3(): float
    {
        return $this->length_mm * ($this->kind === WayKind::Slit
            ? (float) $this->width_mm * (float) $this->height_mm : M_PI / 4 * (float) $this->diameter_mm ** 2);
    }

    /** Shear rate at the wall of a power-law melt, 1/s; flow in m3/s. */
    public function wallRate(float $flow, float $n): float
    {
        return $this->kind === WayKind::Slit
            ? 2 * (1 + 2 * $n) / $n * $flow / ((float) $this->width_mm / 1000 * ((float) $this->height_mm / 1000) ** 2)
            : (3 * $n + 1) / $n * $flow / (M_PI * ((float) $this->diameter_mm / 2000) ** 3);
    }
}
