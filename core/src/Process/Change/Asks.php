<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

/** What is asked when a task of a job change is over. */
enum Asks: string
{
    /** a temperature within reach of the task's own */
    case Temperature = 'temperature';
    /** how what comes out of the nozzle looks, until it is clean */
    case Purging = 'purging';
    /** each port, tapped */
    case Ports = 'ports';
    /** water in and out of a circuit */
    case Water = 'water';
    /** first parts, counted */
    case FirstParts = 'first_parts';
}
