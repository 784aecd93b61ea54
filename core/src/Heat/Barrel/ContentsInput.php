<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\MaterialInput;

final readonly class ContentsInput implements Checked
{
    /** @param  list<BarrelEvent>  $events */
    public function __construct(
        #[Flatten] public MaterialInput $material,
        #[Field('space that melt can take', 'cm3', above: 0, max: 100000)] public float $barrel_volume_cm3,
        #[Field('what went in and came out, in order', of: BarrelEvent::class, atMost: 5000)] public array $events,
        #[Field('the moment that is asked about', 's', min: 0, max: 1e9)] public float $now_s,
        #[Field(
            'share of the space, at the nozzle, that is well stirred',
            '',
            min: 0,
            max: 1,
        )]
        public float $mixing = Space::MIXING,
    ) {
    }

    public function check(): void
    {
        $before = 0.0;
        foreach ($this->events as $i => $event) {
            if ($event->at_s < $before) {
                throw new InputError("events.{$i}.at_s", 'is before the event above it');
            }
            $before = $event->at_s;
        }
        if ($this->now_s < $before) {
            throw new InputError('now_s', 'is before the last event');
        }
    }
}
