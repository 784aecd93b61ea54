<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

enum Form: string
{
    case Pellet = 'pellet';
    case Flake = 'flake';
    case Sheet = 'sheet';

    /** How a lot's form dries. */
    public static function ofLot(string $form): self
    {
        return match ($form) {
            'flake', 'regrind', 'densified film', 'film' => self::Flake,
            'sheet', 'offcut' => self::Sheet,
            default => self::Pellet,
        };
    }
}
