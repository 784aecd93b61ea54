<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;

/** A machine, a mould in circulation, a cooling place, a bath, a dryer: does one task at a time. */
final readonly class Station implements Checked
{
    /** @param  list<mixed>  $calendar */
    public function __construct(
        public string $id,
        public string $kind = '',
        #[Field('[[from, to]] in which it works; none: always', 'min', atMost: 400)] public array $calendar = [],
        #[Field('drawn while it works', 'A', min: 0, max: 10000)] public float $amps = 0.0,
        #[Field('of the supply, from 1; null draws on every one', '', min: 1, max: 3)] public ?int $phase = null,
    ) {
    }

    public function check(): void
    {
        Span::calendar('calendar', $this->calendar);
    }
}
