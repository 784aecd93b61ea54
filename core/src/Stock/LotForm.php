<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

/** In what shape a lot lies there, and what it is made into before it can be weighed out. */
enum LotForm: string
{
    case Item = 'item';
    case Flake = 'flake';
    case Pellet = 'pellet';
    case Sheet = 'sheet';
    case Offcut = 'offcut';
    case Regrind = 'regrind';
    case Film = 'film';
    case DensifiedFilm = 'densified film';
    case Strip = 'strip';
    case Bar = 'bar';

    /** What the shredder, or for film the densifier, makes of it; null where neither takes it. */
    public function madeSmall(): ?self
    {
        return match ($this) {
            self::Item, self::Sheet, self::Offcut, self::Strip, self::Bar => self::Flake,
            self::Film => self::DensifiedFilm,
            default => null,
        };
    }

    /** Whether it is neither weighed out nor fed as it is. */
    public function mustBeMadeSmall(): bool
    {
        return $this === self::Item || $this === self::Film;
    }

    /** @return list<string> */
    public static function names(): array
    {
        return array_column(self::cases(), 'value');
    }
}
