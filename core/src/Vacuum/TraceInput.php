<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class TraceInput implements Checked
{
    /** @param  list<TraceReading>  $readings */
    public function __construct(
        #[Field(
            'of the gauge, in order, from before the pull to its end',
            of: TraceReading::class,
            atLeast: 10,
            atMost: 20000,
        )]
        public array $readings,
        #[Field('pressure of the air here', 'kPa', min: 20, max: 110)] public float $atmosphere_kpa,
        #[Field(
            'when the heater left the sheet, on the same clock',
            's',
            min: -1e6,
            max: 1e9,
        )]
        public ?float $heater_off_s = null,
    ) {
    }

    public function check(): void
    {
        foreach ($this->readings as $i => $reading) {
            if ($i > 0 && $reading->t_s <= $this->readings[$i - 1]->t_s) {
                throw new InputError("readings.{$i}.t_s", 'must be later than the reading before it');
            }
        }
    }
}
