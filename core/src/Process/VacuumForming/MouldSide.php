<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

/** Whether the sheet is drawn over a mould or into it. */
enum MouldSide: string
{
    case Male = 'male';
    case Female = 'female';
}
