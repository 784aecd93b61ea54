<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;

/** Somebody with hands. */
final readonly class Person implements Checked
{
    /**
     * @param  list<mixed>  $calendar
     * @param  list<string>|null  $may
     */
    public function __construct(
        public string $id,
        #[Field('[[from, to]] in which they are here; none: always', 'min', atMost: 400)] public array $calendar = [],
        #[Field('stations that they may work at; null: all', of: 'string', atMost: 400)] public ?array $may = null,
        #[Field('goes along as the second of two, never alone')] public bool $learner = false,
    ) {
    }

    public function check(): void
    {
        Span::calendar('calendar', $this->calendar);
    }
}
