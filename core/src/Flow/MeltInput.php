<?php

declare(strict_types=1);

namespace Dithermic\Core\Flow;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * How the melt flows: by the library's row of the polymer (data/flow.json), by constants of one's own, or by a measured
 * melt flow rate, which goes before both. From the rate (ISO 1133: 9.5504 mm piston, die of 2.095 × 8 mm): τ =
 * p·R/(2L), apparent rate 4Q/(πR³) with Q = MFR/(600·ρ_melt), times (3n + 1)/(4n) after Rabinowitsch.
 */
final readonly class MeltInput implements Checked
{
    private const PISTON_MM = 9.5504;

    private const DIE_RADIUS_MM = 1.0475;

    private const DIE_LENGTH_MM = 8.0;

    private const GRAVITY_M_S2 = 9.80665;

    public function __construct(
        #[Field('K0', 'Pa·sⁿ', min: 0.001, max: 1e9)] public ?float $consistency_pa_sn = null,
        #[Field('T0, at which K0 holds', '°C', min: -50, max: 600)] public ?float $reference_c = null,
        #[Field('n of the power law', '', min: 0.05, max: 1.5)] public ?float $exponent = null,
        #[Field(
            'b: how it thins with heat',
            '1/K',
            min: 0,
            max: 0.2,
        )]
        public ?float $temperature_coefficient_1_k = null,
        #[Field('measured melt flow rate', 'g/10 min', min: 0.001, max: 10000)] public ?float $mfr_g_10min = null,
        #[Field('temperature of that test', '°C', min: 50, max: 450)] public ?float $mfr_c = null,
        #[Field('load of that test', 'kg', min: 0.01, max: 100)] public ?float $mfr_kg = null,
    ) {
    }

    public function check(): void
    {
        if ($this->mfr_g_10min === null) {
            return;
        }
        foreach (['mfr_c', 'mfr_kg'] as $field) {
            if ($this->{$field} === null) {
                throw new InputError($field, 'is required with a melt flow rate: it depends on temperature and load');
            }
        }
    }

    /** @throws InputError when neither the library nor the input says how it flows */
    public function law(MaterialInput $material, PolymerLibrary $polymers): MeltLaw
    {
        $row = $material->record($polymers) === null ? null : (self::rows()[$material->polymer] ?? null);
        if (
            $row === null
            && $material->polymer !== null
            && $this->consistency_pa_sn === null
            && $this->mfr_g_10min === null
        ) {
            throw new InputError(
                'polymer',
                "nothing is known of how {$material->polymer} flows: give its constants or a melt flow rate, or take one that is moulded here",
            );
        }
        $need = fn (string $name): float => $this->{$name} ?? $row[$name] ?? throw new InputError(
            $name,
            'is required when the library does not know how it flows',
        );
        $exponent = $need('exponent');
        $thins = $need('temperature_coefficient_1_k');
        if ($this->mfr_g_10min === null) {
            return new MeltLaw($need('consistency_pa_sn'), $need('reference_c'), $exponent, $thins);
        }
        $radius = self::DIE_RADIUS_MM / 1000;
        $stress = (float) $this->mfr_kg * self::GRAVITY_M_S2 / (
            M_PI * (self::PISTON_MM / 1000) ** 2 / 4
        ) * $radius / (2 * self::DIE_LENGTH_MM / 1000);
        $flow = $this->mfr_g_10min / (600 * $material->need('density_melt_g_cm3', $polymers)) * 1e-6;
        $rate = 4 * $flow / (M_PI * $radius ** 3) * (3 * $exponent + 1) / (4 * $exponent);

        return new MeltLaw($stress / $rate ** $exponent, (float) $this->mfr_c, $exponent, $thins);
    }

    /**
     * @return array<string, array{consistency_pa_sn: float, reference_c: float, exponent: float, temperature_coefficient_1_k: float}>
     */
    private static function rows(): array
    {
        /** @var array<string, array{consistency_pa_sn: float, reference_c: float, exponent: float, temperature_coefficient_1_k: float}> */
        return Record::file(__DIR__.'/../../data/flow.json')->array('polymers');
    }
}
