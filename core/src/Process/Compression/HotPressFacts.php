<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\SetMarks;

/** What is known of a hot press. Unknown is a value: nobody reads kJ/K off a plate. */
final readonly class HotPressFacts implements Checked
{
    public function __construct(
        public string $name = 'the press',
        #[Field('of each platen', 'kW', above: 0, max: 1000)] public ?float $heater_kw = null,
        #[Field('heat capacity of each platen', 'kJ/K', above: 0, max: 100000)] public ?float $platen_kj_k = null,
        #[Field('of each platen when idle', 'kW', min: 0, max: 1000)] public ?float $loss_kw = null,
        #[Field('thickness of the plate on each face', 'mm', min: 0.01, max: 200)] public ?float $plate_mm = null,
        #[Field('it may be set to at most', '°C', min: 0, max: 600)] public ?float $max_c = null,
        #[Field('', 'mm', above: 0, max: 20000)] public ?float $bed_length_mm = null,
        #[Field('', 'mm', above: 0, max: 20000)] public ?float $bed_width_mm = null,
        #[Field(
            'the shop\'s own rule for heating',
            'min/mm',
            above: 0,
            max: 120,
        )]
        public ?float $heat_min_per_mm = null,
        #[Field(
            'the shop\'s own rule for cooling',
            'min/mm',
            above: 0,
            max: 120,
        )]
        public ?float $cool_min_per_mm = null,
        #[Field('that its supply gives', 'A', above: 0, max: 1000)] public ?float $amps = null,
        #[Field(SetMarks::SAYS)] public ?string $set_marks = null,
    ) {
    }

    public function check(): void
    {
        SetMarks::mustBe($this->set_marks);
        if ($this->heater_kw !== null && $this->loss_kw !== null && $this->heater_kw <= $this->loss_kw) {
            throw new InputError(
                'heater_kw',
                sprintf('must be above loss_kw, %.4g kW, or the platen never reaches its set-point', $this->loss_kw),
            );
        }
    }

    public function isKnown(): bool
    {
        return $this->heater_kw !== null && $this->platen_kj_k !== null;
    }
}
