<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

/** What the mould is made of, or where it cools: it decides whether the closed form of cooling holds. */
enum MouldMake: string
{
    case Steel = 'steel';
    case Aluminium = 'aluminium';
    case PrintedResin = 'printed_resin';
    case InWater = 'in_water';

    /** It takes heat slower than the melt gives it. */
    public function insulates(): bool
    {
        return $this === self::PrintedResin;
    }

    /** its material as heat.mould_contact names it */
    public function material(): string
    {
        return $this === self::InWater ? self::Aluminium->value : $this->value;
    }
}
