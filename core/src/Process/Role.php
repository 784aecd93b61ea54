<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** A place of the procedure that a machine of the shop takes in a run. */
final readonly class Role
{
    /** @param  non-empty-list<string>  $kinds machines that can take it */
    public function __construct(
        public string $id,
        public string $title,
        public array $kinds,
        public bool $required = true,
    ) {
    }

    public function takes(string $kind): bool
    {
        return in_array($kind, $this->kinds, true);
    }
}
