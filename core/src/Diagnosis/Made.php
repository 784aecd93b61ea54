<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

/** A change that was made for a cause. */
final class Made
{
    /** null until the next pieces have judged it */
    public ?bool $worked = null;

    /** @param  bool  $unclear  another change was under way at once: what worked is not known */
    public function __construct(
        public readonly string $parameter,
        public readonly ?float $from,
        public readonly ?float $to,
        public readonly float $at,
        public readonly string $cause,
        public bool $unclear,
    ) {
    }
}
