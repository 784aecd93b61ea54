<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** Something to log again and again while a step lasts, by the number of the plan that says how often. */
final readonly class Reminder
{
    public function __construct(public string $entry, public string $everyMin, public string $what, public string $why)
    {
    }

    /** @param  array<string, mixed>  $of */
    public static function of(array $of): self
    {
        return new self((string) $of['entry'], (string) $of['every_min'], (string) $of['what'], (string) $of['why']);
    }
}
