<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Data\Record;

/** Something to log again and again while a step lasts, by the number of the plan that says how often. */
final readonly class Reminder
{
    public function __construct(public string $entry, public string $everyMin, public string $what, public string $why)
    {
    }

    public static function of(Record $of): self
    {
        return new self($of->text('entry'), $of->text('every_min'), $of->text('what'), $of->text('why'));
    }
}
