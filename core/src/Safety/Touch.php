<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

/** What a hand may lie on (ISO 13732-1: 43 °C burns in eight hours, 48 in ten minutes, 51 in one). */
final class Touch
{
    private const BURNS_C = 43.0;

    /** Whether a surface of so many °C is hot to whoever comes to it; one that nobody has read is not known to be. */
    public static function isHot(?float $c): bool
    {
        return $c !== null && $c >= self::BURNS_C;
    }
}
