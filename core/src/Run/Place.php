<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Data\Record;

/**
 * Where a step is done. One that holds a number of pieces takes no more than that: a number, or the name of the plan's
 * number that says it; where the plan has none nobody counts.
 */
final readonly class Place
{
    public function __construct(
        public string $id,
        public string $title,
        public string $heat,
        public int|string|null $holds,
    ) {
    }

    public static function of(string $id, Record $of): self
    {
        return new self(
            $id,
            $of->text('title'),
            $of->text('heat', 'none'),
            match (true) {
                ! $of->has('holds') => null,
                is_string($of->of['holds']) => $of->text('holds'),
                default => (int) $of->number('holds'),
            },
        );
    }
}
