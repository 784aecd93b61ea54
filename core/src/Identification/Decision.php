<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

/** What the tests so far allow to be said of an item, and what still stands against saying it. */
final readonly class Decision
{
    /**
     * @param  list<string>  $family  polymers decided together; empty when nothing is decided
     * @param  string|null  $obstacle  what is never heated and is not ruled out, when that is what stands against it
     */
    public function __construct(
        public string $code,
        public array $family = [],
        public string $because = '',
        public ?string $obstacle = null,
    ) {
    }

    public function isMade(): bool
    {
        return $this->code !== Rank::UNKNOWN;
    }
}
