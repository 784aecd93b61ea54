<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

enum Route: string
{
    case Air = 'air';
    case WarmHumid = 'warm_humid';
    case Water = 'water_23';
    case Boil = 'boil';

    /** Diffusivity of water in polyamide 6, m2/s: 23 °C 50 % RH, 40 °C 90 % RH, water at 23 °C, boiling water. */
    public function diffusivity(): float
    {
        return match ($this) {
            self::Air => 1.0e-12, self::WarmHumid => 5.0e-12, self::Water => 2.0e-12, self::Boil => 5.0e-11,
        };
    }

    /**
     * Share of the water after which a part is tough enough to be used, an estimate: a shelf ends at half of what a
     * soak gives, and a boil wets the faces far more than the middle.
     */
    public function usableFraction(): float
    {
        return match ($this) {
            self::Air => 0.5, self::WarmHumid => 0.6, self::Water => 0.6, self::Boil => 0.7,
        };
    }
}
