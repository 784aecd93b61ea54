<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\General;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Conduction\Boundary;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Insulated;
use Dithermic\Core\Heat\Conduction\Radiant;

final readonly class FaceInput implements Checked
{
    public function __construct(
        public FaceKind $kind,
        #[Field('temperature of a fixed face', '°C', min: -273.15, max: 4000)] public ?float $c = null,
        #[Field('conductance', 'W/m2K', min: 0, max: 1e7)] public ?float $h_w_m2k = null,
        #[Field('temperature of the body in contact', '°C', min: -273.15, max: 4000)] public ?float $body_c = null,
        #[Field('temperature of the air or stream', '°C', min: -273.15, max: 4000)] public ?float $ambient_c = null,
        #[Field('temperature of the radiant heater', '°C', min: -273.15, max: 4000)] public ?float $heater_c = null,
        #[Field('effective emissivity times view factor', '', min: 0, max: 1)] public ?float $exchange = null,
    ) {
    }

    public function check(): void
    {
        $needed = match ($this->kind) {
            FaceKind::Insulated => [],
            FaceKind::Fixed => ['c'],
            FaceKind::Contact => ['h_w_m2k', 'body_c'],
            FaceKind::Convection => ['h_w_m2k', 'ambient_c'],
            FaceKind::Radiant => ['heater_c', 'exchange', 'h_w_m2k', 'ambient_c'],
        };
        foreach ($needed as $field) {
            if ($this->{$field} === null) {
                throw new InputError($field, "is required for a {$this->kind->value} face");
            }
        }
    }

    public function boundary(): Boundary
    {
        $h = (float) $this->h_w_m2k;

        return match ($this->kind) {
            FaceKind::Insulated => new Insulated,
            FaceKind::Fixed => new Held((float) $this->c),
            FaceKind::Contact => $h > 0 ? new Held((float) $this->body_c, $h) : new Insulated,
            FaceKind::Convection => $h > 0 ? new Held((float) $this->ambient_c, $h) : new Insulated,
            FaceKind::Radiant => new Radiant(
                (float) $this->heater_c,
                (float) $this->exchange,
                $h,
                (float) $this->ambient_c,
            ),
        };
    }
}
