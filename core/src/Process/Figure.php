<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** A number that tells one run of a process from another in a list: what was set, or what came out. */
final readonly class Figure
{
    public function __construct(
        public string $id,
        public string $label,
        public string $dimension,
        public int $decimals,
        public bool $measured = false,
        public ?float $value = null,
    ) {
    }

    public function with(?float $value): self
    {
        return new self($this->id, $this->label, $this->dimension, $this->decimals, $this->measured, $value);
    }
}
