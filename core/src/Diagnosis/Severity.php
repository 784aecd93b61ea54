<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

/** How bad it is: still usable, of limited use, or not to be used. */
enum Severity: string
{
    case Cosmetic = 'cosmetic';
    case Functional = 'functional';
    case Scrap = 'scrap';

    /** What a defect counts beside others. */
    public function weight(): float
    {
        return match ($this) {
            self::Cosmetic => 0.5,
            self::Functional => 0.8,
            self::Scrap => 1.0,
        };
    }
}
