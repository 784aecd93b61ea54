<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Data\Record;

/** Where a step is done. One that holds a number of pieces takes no more than that. */
final readonly class Place
{
    public function __construct(public string $id, public string $title, public string $heat, public ?int $holds)
    {
    }

    public static function of(string $id, Record $of): self
    {
        return new self(
            $id,
            $of->text('title'),
            $of->text('heat', 'none'),
            $of->has('holds') ? (int) $of->number('holds') : null,
        );
    }
}
