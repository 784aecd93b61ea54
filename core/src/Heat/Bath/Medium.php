<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Bath;

enum Medium: string
{
    case Water = 'water';
    case Air = 'air';

    /** W/m2K with the mould's wall in between: stirred water, still air. */
    public function conductance(): float
    {
        return $this === self::Water ? 500.0 : 12.0;
    }
}
