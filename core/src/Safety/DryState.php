<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

enum DryState: string
{
    case Unknown = 'unknown';
    case Dry = 'dry';
    case UseNow = 'use now';
    case DryAgain = 'dry again';

    public function isKnown(): bool
    {
        return $this !== self::Unknown;
    }

    public function isDry(): bool
    {
        return $this === self::Dry || $this === self::UseNow;
    }
}
