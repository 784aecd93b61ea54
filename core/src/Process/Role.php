<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/**
 * What a machine of the shop does in a run: a place of the procedure, or a mould that hangs as long as the run lasts.
 */
final readonly class Role
{
    /**
     * @param  non-empty-list<string>  $kinds machines that can take it
     * @param  class-string  $facts  what can be known of such a machine
     * @param  bool  $throughout  held as long as the run lasts, whatever the procedure does at its place: a mould hangs
     */
    public function __construct(
        public string $id,
        public string $title,
        public array $kinds,
        public string $facts,
        public bool $required = true,
        public bool $throughout = false,
    ) {
    }

    public function takes(string $kind): bool
    {
        return in_array($kind, $this->kinds, true);
    }
}
