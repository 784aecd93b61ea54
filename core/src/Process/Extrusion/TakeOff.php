<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Data\Record;
use Dithermic\Core\Process\Settled;

/**
 * What becomes of the melt that leaves the die. It is the product that says it: who feeds another barrel makes strips.
 */
enum TakeOff: string
{
    case Mould = 'mould';
    case Strips = 'strips';
    case Profile = 'profile';

    public static function of(Settled $set): self
    {
        return match (true) {
            $set->has('feeds_bore_mm') => self::Strips,
            $set->has('die_area_mm2') => self::Profile,
            default => self::Mould,
        };
    }

    /** @return array<array-key, mixed> by which it is worked */
    public function procedure(): array
    {
        return Record::file(__DIR__.match ($this) {
            self::Mould => '/procedure.json',
            self::Strips => '/strips.json',
            self::Profile => '/profile.json',
        })->of;
    }
}
