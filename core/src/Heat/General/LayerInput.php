<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\General;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Conduction\Substance;

final readonly class LayerInput implements Checked
{
    public function __construct(
        #[Field('as laid, pores included', 'mm', min: 0.01, max: 5000)] public float $thickness_mm,
        #[Field('thermal conductivity of the solid', 'W/mK', min: 0.005, max: 5000)] public float $conductivity_w_mk,
        #[Field('density of the solid', 'kg/m3', min: 5, max: 30000)] public float $density_kg_m3,
        #[Field('specific heat', 'J/gK', min: 0.1, max: 100)] public float $specific_heat_j_gk,
        #[Field('temperature at the start', '°C', min: -273.15, max: 4000)] public float $initial_c,
        #[Field('melting and freezing over one range; null for none')] public ?LatentInput $latent = null,
        #[Field('share of the volume that is gas', '', min: 0, below: 1)] public float $porosity = 0.0,
        #[Field(
            'pores begin to close; without it the layer stays porous',
            '°C',
            min: -273.15,
            max: 4000,
        )]
        public ?float $consolidate_start_c = null,
        #[Field('pores closed', '°C', min: -273.15, max: 4000)] public ?float $consolidate_end_c = null,
        #[Field(
            'conductance to the next layer; null for perfect',
            'W/m2K',
            above: 0,
        )]
        public ?float $contact_next_w_m2k = null,
        #[Field('warn when any of it gets hotter', '°C', min: -273.15, max: 4000)] public ?float $ceiling_c = null,
    ) {
    }

    public function check(): void
    {
        if ($this->consolidate_start_c === null) {
            return;
        }
        if ($this->consolidate_end_c === null) {
            throw new InputError('consolidate_end_c', 'is required with consolidate_start_c');
        }
        if ($this->consolidate_end_c <= $this->consolidate_start_c) {
            throw new InputError('consolidate_end_c', 'must be above consolidate_start_c');
        }
    }

    public function substance(): Substance
    {
        return Substance::melting(
            $this->conductivity_w_mk,
            $this->density_kg_m3,
            1000 * $this->specific_heat_j_gk,
            $this->latent === null ? null : 1000 * $this->latent->heat_j_g,
            $this->latent->liquidus_c ?? 0.0,
            $this->latent->width_k ?? 0.0,
            $this->porosity,
            $this->consolidate_start_c ?? INF,
            $this->consolidate_end_c ?? INF,
        );
    }
}
