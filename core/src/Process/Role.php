<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** A place of the procedure that a machine of the shop takes in a run. */
final readonly class Role
{
    /**
     * @param  non-empty-list<string>  $kinds machines that can take it
     * @param  class-string  $facts  what can be known of such a machine
     */
    public function __construct(
        public string $id,
        public string $title,
        public array $kinds,
        public string $facts,
        public bool $required = true,
    ) {
    }

    public function takes(string $kind): bool
    {
        return in_array($kind, $this->kinds, true);
    }
}
