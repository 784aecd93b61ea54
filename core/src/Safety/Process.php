<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

enum Process: string
{
    case Injection = 'injection';
    case Extrusion = 'extrusion';
    case Compression = 'compression';
    case VacuumForming = 'vacuum_forming';

    public function hasBarrel(): bool
    {
        return $this === self::Injection || $this === self::Extrusion;
    }
}
