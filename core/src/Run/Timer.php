<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Data\Record;

/** A wait, by the number of the plan that says how many minutes it takes. */
final readonly class Timer
{
    public function __construct(public string $id, public string $title, public string $minutes, public string $kind)
    {
    }

    public static function of(Record $of): self
    {
        return new self($of->text('id'), $of->text('title'), $of->text('minutes'), $of->text('kind'));
    }
}
