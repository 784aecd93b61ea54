<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

use Dithermic\Core\Run\Event;

final readonly class SimulatedRun
{
    /**
     * @param  list<Event>  $events
     * @param  list<array{at: float, place: string, channel: string, value: float}>  $readings
     */
    public function __construct(public array $events, public array $readings)
    {
    }
}
