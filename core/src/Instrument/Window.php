<?php

declare(strict_types=1);

namespace Dithermic\Core\Instrument;

/** Between what a reading should lie, both ends allowed. */
final readonly class Window
{
    public function __construct(public ?float $low, public ?float $high)
    {
    }

    /** On which side a reading is out; null inside. */
    public function out(float $value): ?AlarmKind
    {
        return match (true) {
            $this->low !== null && $value < $this->low => AlarmKind::Low,
            $this->high !== null && $value > $this->high => AlarmKind::High,
            default => null,
        };
    }

    public function limit(AlarmKind $side): float
    {
        return ($side === AlarmKind::Low ? $this->low : $this->high) ?? 0.0;
    }
}
