<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** Where a step is done. One that holds a number of pieces takes no more than that. */
final readonly class Place
{
    public function __construct(public string $id, public string $title, public string $heat, public ?int $holds)
    {
    }

    /** @param  array<string, mixed>  $of */
    public static function of(string $id, array $of): self
    {
        return new self(
            $id,
            (string) $of['title'],
            (string) ($of['heat'] ?? 'none'),
            isset($of['holds']) ? (int) $of['holds'] : null,
        );
    }
}
