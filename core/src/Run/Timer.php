<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** A wait, by the number of the plan that says how many minutes it takes. */
final readonly class Timer
{
    public function __construct(public string $id, public string $title, public string $minutes, public string $kind)
    {
    }

    /** @param  array<string, mixed>  $of */
    public static function of(array $of): self
    {
        return new self((string) $of['id'], (string) $of['title'], (string) $of['minutes'], (string) $of['kind']);
    }
}
