<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/**
 * A polymer by its code, or by its properties, or both: a property given beside a code overrides the library's.
 */
final readonly class MaterialInput implements Checked
{
    public function __construct(
        #[Field('code of a polymer in the library, such as HDPE')] public ?string $polymer = null,
        public ?Morphology $morphology = null,
        #[Field('density of the solid', 'g/cm3', min: 0.005, max: 25)] public ?float $density_solid_g_cm3 = null,
        #[Field('density of the melt', 'g/cm3', min: 0.005, max: 25)] public ?float $density_melt_g_cm3 = null,
        #[Field(
            'loose bulk density of flake or granulate',
            'g/cm3',
            min: 0.005,
            max: 25,
        )]
        public ?float $bulk_density_g_cm3 = null,
        #[Field(
            'thermal conductivity of the solid',
            'W/mK',
            min: 0.005,
            max: 500,
        )]
        public ?float $conductivity_solid_w_mk = null,
        #[Field(
            'thermal conductivity of the melt',
            'W/mK',
            min: 0.005,
            max: 500,
        )]
        public ?float $conductivity_melt_w_mk = null,
        #[Field(
            'specific heat of the solid',
            'J/gK',
            min: 0.1,
            max: 20,
        )]
        public ?float $specific_heat_solid_j_gk = null,
        #[Field('specific heat of the melt', 'J/gK', min: 0.1, max: 20)] public ?float $specific_heat_melt_j_gk = null,
        #[Field('glass transition', '°C', min: -200, max: 500)] public ?float $tg_c = null,
        #[Field('end of melting', '°C', min: -100, max: 500)] public ?float $tm_c = null,
        #[Field('start of crystallising on cooling', '°C', min: -100, max: 500)] public ?float $tc_c = null,
        #[Field('heat of fusion', 'J/g', min: 0, max: 1000)] public ?float $heat_of_fusion_j_g = null,
        #[Field('width of the melting range', 'K', min: 0.01, max: 200)] public float $melt_width_k = 15.0,
        #[Field('flakes start to fuse', '°C', min: -100, max: 600)] public ?float $consolidate_start_c = null,
        #[Field('flakes fused to solid', '°C', min: -100, max: 600)] public ?float $consolidate_end_c = null,
        #[Field('stiff enough to take out', '°C', min: -50, max: 500)] public ?float $demould_c = null,
        #[Field('share of radiant heat taken in', '', above: 0, max: 1)] public ?float $absorptivity = null,
        #[Field('it no longer flows below', '°C', min: -100, max: 600)] public ?float $no_flow_c = null,
        #[Field('it breaks down or gives off fume above', '°C', min: 0, max: 600)] public ?float $ceiling_c = null,
        #[Field(
            'it stands its ceiling for so long',
            'min',
            min: 0,
            max: 100000,
        )]
        public ?float $minutes_at_ceiling = null,
    ) {
    }

    public function check(): void
    {
        if ($this->consolidate_start_c !== null && $this->consolidate_end_c !== null
            && $this->consolidate_end_c <= $this->consolidate_start_c) {
            throw new InputError('consolidate_end_c', 'must be above consolidate_start_c');
        }
    }

    /** @throws InputError for a code that the library does not hold */
    public function record(PolymerLibrary $library): ?Polymer
    {
        return $this->polymer === null ? null : $library->get($this->polymer);
    }

    /** The property as given, else the library's; null when neither has it. */
    public function optional(string $name, PolymerLibrary $library): ?float
    {
        return $this->{$name} ?? $this->record($library)?->property($name);
    }

    /** @throws InputError naming the property when it is neither given nor in the library */
    public function need(string $name, PolymerLibrary $library): float
    {
        return $this->optional($name, $library) ?? throw new InputError($name, $this->polymer === null
            ? 'is required when no polymer is named'
            : "the library has no value for {$this->polymer}: give it");
    }

    /**
     * A sentence for when something gets hotter than the polymer stands; null when it does not, or nothing is known of
     * it.
     */
    public function overCeiling(float $hottest, string $what, PolymerLibrary $library): ?string
    {
        $ceiling = $this->optional('ceiling_c', $library);

        return $ceiling === null || $hottest <= $ceiling + 1e-9 ? null : sprintf(
            '%s: %.0f °C is above the ceiling of %.0f °C%s: it gives off fume and breaks down.',
            $what, $hottest, $ceiling, $this->polymer === null ? '' : " for {$this->polymer}",
        );
    }

    /** Everything the conduction solver needs to know of the polymer. */
    public function thermal(PolymerLibrary $library): ThermalPolymer
    {
        $morphology = $this->morphology ?? $this->record($library)?->morphology()
            ?? throw new InputError($this->polymer === null ? 'morphology' : 'polymer', $this->polymer === null
                ? 'is required when no polymer is named: semi-crystalline or amorphous'
                : "{$this->polymer} has no known properties and cannot be calculated");
        $semi = $morphology === Morphology::SemiCrystalline;
        $tg = $semi ? $this->optional('tg_c', $library) : $this->need('tg_c', $library);
        $tm = $semi ? $this->need('tm_c', $library) : null;
        $tc = $semi ? $this->need('tc_c', $library) : null;
        if ($tm !== null && $tc !== null && $tc > $tm) {
            throw new InputError('tc_c', 'a polymer cannot crystallise on cooling above its melting point (tm_c)');
        }
        $start = $this->consolidate_start_c ?? ($semi ? $tm - 15 : $tg + 20);
        $end = $this->consolidate_end_c ?? ($semi ? $tm + 5 : $tg + 60);
        if ($end <= $start) {
            throw new InputError('consolidate_end_c', 'must be above consolidate_start_c');
        }

        return new ThermalPolymer(
            morphology: $morphology,
            density_kg_m3: 1000 * $this->need('density_solid_g_cm3', $library),
            conductivity_solid_w_mk: $this->need('conductivity_solid_w_mk', $library),
            conductivity_melt_w_mk: $this->need('conductivity_melt_w_mk', $library),
            specific_heat_solid_j_kgk: 1000 * $this->need('specific_heat_solid_j_gk', $library),
            specific_heat_melt_j_kgk: 1000 * $this->need('specific_heat_melt_j_gk', $library),
            tg_c: $tg,
            tm_c: $tm,
            tc_c: $tc,
            heat_of_fusion_j_kg: $semi ? 1000 * $this->need('heat_of_fusion_j_g', $library) : 0.0,
            melt_width_k: $this->melt_width_k,
            consolidate_start_c: $start,
            consolidate_end_c: $end,
        );
    }
}
