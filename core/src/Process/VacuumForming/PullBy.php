<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

/**
 * What takes the air from under the sheet. A tank is our default where there is one: it pulls before the sheet is cold.
 */
enum PullBy: string
{
    case Tank = 'tank';
    case BlowerThenTank = 'blower_then_tank';
    case Pump = 'pump';
}
