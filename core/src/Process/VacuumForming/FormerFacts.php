<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** What is known of a former: its heater, its bed, and what pulls. Unknown is a value. */
final readonly class FormerFacts implements Checked
{
    private const LONGEST = 120;

    public function __construct(
        public string $name = 'the former',
        #[Field('surface of the heater', '°C', min: 0, max: 1500)] public ?float $heater_c = null,
        #[Field('what is set on it for that, as "dial 7" or "outer elements full, inner half"')]
        public ?string $heater_set = null,
        #[Field('zones of the heater from left to right', '', min: 1, max: 20)] public ?int $zones_across = null,
        #[Field('zones of the heater from front to back', '', min: 1, max: 20)] public ?int $zones_along = null,
        #[Field('emissivity times view', '', above: 0, max: 1)] public ?float $exchange = null,
        #[Field('heated faces', '', min: 1, max: 2)] public int $sides = 1,
        #[Field('air under the sheet and in the hose', 'l', above: 0, max: 1e6)] public ?float $box_l = null,
        #[Field('', 'l', above: 0, max: 1e6)] public ?float $tank_l = null,
        #[Field('absolute, when it is full', 'kPa', min: 0, max: 200)] public ?float $tank_kpa = null,
        #[Field('absolute, that the blower reaches', 'kPa', above: 0, max: 200)] public ?float $blower_kpa = null,
        #[Field('of the pump', 'l/min', above: 0, max: 1e7)] public ?float $speed_l_min = null,
        #[Field('absolute, that the pump reaches', 'kPa', min: 0, max: 200)] public ?float $ultimate_kpa = null,
        #[Field('of tank and hoses', 'l', above: 0, max: 1e6)] public ?float $volume_l = null,
        #[Field('vacuum that the tank is built for', 'kPa', min: 0, max: 110)] public ?float $tank_rated_kpa = null,
        #[Field('of the air here', 'kPa', min: 50, max: 110)] public float $atmosphere_kpa = 101.325,
        #[Field('', 'mm', above: 0, max: 20000)] public ?float $bed_length_mm = null,
        #[Field('', 'mm', above: 0, max: 20000)] public ?float $bed_width_mm = null,
    ) {
    }

    public function check(): void
    {
        $letters = $this->heater_set === null ? 1 : mb_strlen(trim($this->heater_set));
        if ($letters < 1 || $letters > self::LONGEST) {
            throw new InputError(
                'heater_set',
                'is what its dial shows and which elements are on, in '.self::LONGEST.' letters at most',
            );
        }
        foreach (['tank_kpa', 'blower_kpa', 'ultimate_kpa'] as $name) {
            if ($this->{$name} !== null && $this->{$name} >= $this->atmosphere_kpa) {
                throw new InputError($name, sprintf(
                    'is not below the air here, %.4g kPa: it is absolute, 0 where there is no air at all',
                    $this->atmosphere_kpa,
                ));
            }
        }
    }
}
