<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

enum LengthUnit: string
{
    case Millimetre = 'mm';
    case Inch = 'in';

    public function millimetres(): float
    {
        return $this === self::Inch ? 25.4 : 1.0;
    }
}
