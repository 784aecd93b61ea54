<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Press\PlatenReading;
use Dithermic\Core\Heat\Press\PressCycleInput;

/** One run: what was pressed, and how the platens went. */
final readonly class PressRun implements Checked
{
    private const FEWEST = 8;

    /**
     * @param  list<PlatenReading>  $readings
     * @param  list<PlatenReading>|null  $cold_readings
     */
    public function __construct(
        public PressCycleInput $input,
        #[Field('of a hot platen, from slide-in', of: PlatenReading::class, atMost: 5000)] public array $readings,
        #[Field(
            'of a cold platen, from pressure on',
            of: PlatenReading::class,
            atMost: 5000,
        )]
        public ?array $cold_readings = null,
    ) {
    }

    public function check(): void
    {
        if ($this->input->length_mm === null || $this->input->width_mm === null) {
            throw new InputError(
                $this->input->length_mm === null ? 'input.length_mm' : 'input.width_mm',
                'is required: the platen feels the whole sheet',
            );
        }
        foreach (['readings' => $this->readings, 'cold_readings' => $this->cold_readings ?? []] as $name => $readings) {
            if (($name === 'readings' || $readings !== []) && count($readings) < self::FEWEST) {
                throw new InputError($name, 'needs at least '.self::FEWEST.' readings');
            }
            foreach ($readings as $i => $reading) {
                if ($reading->t_s < 0 || ($i > 0 && $reading->t_s <= $readings[$i - 1]->t_s)) {
                    throw new InputError(
                        "{$name}.{$i}.t_s",
                        $reading->t_s < 0 ? 'is before the sheet went in' : 'must be later than the reading before it',
                    );
                }
            }
        }
    }
}
