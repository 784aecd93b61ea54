<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\PolymerLibrary;

final readonly class PressCycleInput implements Checked
{
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field('of the finished sheet', 'mm', min: 0.01, max: 300)] public float $thickness_mm,
        #[Field('of the stack as it goes in', '°C', min: -50, max: 500)] public float $initial_c,
        #[Field('set-point of the hot platens', '°C', min: -50, max: 600)] public float $platen_c,
        #[Field(
            'share of the loose charge that is air; wins over bulk density',
            '',
            min: 0,
            max: 0.98,
        )]
        public ?float $porosity = null,
        public SkinInput $skin = new SkinInput,
        #[Field(
            'platen to plate and plate to polymer, each',
            'W/m2K',
            above: 0,
            max: 1e6,
        )]
        public float $contact_w_m2k = 400.0,
        #[Field(
            'middle of the sheet is hot enough; the polymer\'s lowest platen temperature unless given',
            '°C',
            min: -50,
            max: 600,
        )]
        public ?float $core_target_c = null,
        #[Field('kept on after the core is there', 'min', min: 0, max: 600)] public float $soak_min = 3.0,
        #[Field('cold platens', '°C', min: -50, max: 300)] public float $cold_platen_c = 25.0,
        #[Field('cold platen to plate', 'W/m2K', above: 0, max: 1e6)] public float $cold_contact_w_m2k = 250.0,
        #[Field('the shop\'s calibration on heating time', '', above: 0, max: 20)] public float $heat_factor = 1.0,
        #[Field('judge a rule\'s time instead', 'min', above: 0, max: 1440)] public ?float $minutes_given = null,
        #[Field(
            'goes to the cold press after these minutes, whatever the middle has reached; after heat and soak unless given',
            'min',
            above: 0,
            max: 1440,
        )]
        public ?float $transfer_min = null,
        #[Field(
            'of the sheet; needed with press or cold_press',
            'mm',
            above: 0,
            max: 20000,
        )]
        public ?float $length_mm = null,
        #[Field(
            'of the sheet; needed with press or cold_press',
            'mm',
            above: 0,
            max: 20000,
        )]
        public ?float $width_mm = null,
        public ?HotPressInput $press = null,
        public ?ColdPressInput $cold_press = null,
        #[Field('add the temperatures through the half thickness to the curve')] public bool $with_profile = false,
    ) {
    }

    public function check(): void
    {
        foreach (['press' => $this->press, 'cold_press' => $this->cold_press] as $name => $machine) {
            if ($machine !== null && ($this->length_mm === null || $this->width_mm === null)) {
                throw new InputError(
                    $this->length_mm === null ? 'length_mm' : 'width_mm',
                    "is required with {$name}: the platen feels the whole sheet",
                );
            }
        }
    }

    public function areaM2(): float
    {
        return (float) $this->length_mm * (float) $this->width_mm / 1e6;
    }

    /** @throws InputError */
    public function coreTarget(PolymerLibrary $library): float
    {
        $least = $this->material->record($library)?->process('compression')->mayNumber('platen_c.min');
        $target = $this->core_target_c ?? $least ?? throw new InputError('core_target_c', $this->material->polymer === null
                ? 'is required when no polymer is named'
                : "{$this->material->polymer} has no window for compression: give the temperature that the middle must reach");
        if ($target >= $this->platen_c) {
            throw new InputError(
                'core_target_c',
                sprintf(
                    'the middle can never reach %.4g °C between platens at %.4g °C: hotter platens, or a lower target',
                    $target,
                    $this->platen_c,
                ),
            );
        }
        if ($target <= $this->initial_c) {
            throw new InputError(
                'core_target_c',
                "must be above the charge's own temperature (initial_c {$this->initial_c} °C)",
            );
        }

        return $target;
    }

    /** @throws InputError */
    public function demould(PolymerLibrary $library): float
    {
        $demould = $this->material->need('demould_c', $library);
        $fluid = $this->material->thermal($library)->fluidAbove();
        if ($demould > $fluid) {
            throw new InputError('demould_c', "is above {$fluid} °C, where the polymer is still fluid");
        }
        if ($demould <= $this->cold_platen_c) {
            throw new InputError(
                'demould_c',
                sprintf(
                    'the sheet is taken out at %.4g °C and never gets below the cold platens (%.4g °C)',
                    $demould,
                    $this->cold_platen_c,
                ),
            );
        }
        if ($this->cold_press !== null && $demould <= $this->cold_press->coolant_c) {
            throw new InputError(
                'demould_c',
                sprintf(
                    'the sheet is taken out at %.4g °C and never gets below the coolant (%.4g °C)',
                    $demould,
                    $this->cold_press->coolant_c,
                ),
            );
        }

        return $demould;
    }

    /** Share of air in the loose charge, from the bulk density when it is not given. */
    public function pores(PolymerLibrary $library): float
    {
        if ($this->porosity !== null) {
            return $this->porosity;
        }
        $bulk = $this->material->optional('bulk_density_g_cm3', $library)
            ?? throw new InputError(
                'bulk_density_g_cm3',
                'give the bulk density of the charge, or its porosity (0 for a solid sheet)',
            );
        $solid = $this->material->need('density_solid_g_cm3', $library);
        if ($bulk > $solid) {
            throw new InputError('bulk_density_g_cm3', "loose flake cannot be heavier than the solid ({$solid} g/cm3)");
        }

        return 1 - $bulk / $solid;
    }
}
