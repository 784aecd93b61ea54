<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

/**
 * When a bar leaves its mould; practitioners differ. When its skin carries it is our default: the mould is free far
 * sooner, and the bar then rests straight until its core is through.
 */
enum StripRule: string
{
    case SkinCarries = 'skin_carries';
    case CoreCold = 'core_cold';
}
