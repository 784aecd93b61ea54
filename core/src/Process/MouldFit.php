<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** Whether a mould goes into a machine. */
final readonly class MouldFit
{
    /**
     * @param  list<string>  $against  what speaks against it, in words
     * @param  list<string>  $unknown  what could not be looked at
     */
    public function __construct(
        public bool $fits,
        public array $against,
        public array $unknown,
    ) {
    }
}
