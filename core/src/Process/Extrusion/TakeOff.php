<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Process\Settled;

/** What becomes of the melt that leaves the die. It is the product that says it: who feeds another barrel makes strips. */
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

    /** Of its procedure, beside this class; null for the one that a process has as a rule. */
    public function file(): ?string
    {
        return $this === self::Mould ? null : "{$this->value}.json";
    }
}
