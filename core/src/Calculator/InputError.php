<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

use DomainException;

/** An input that the core refuses, naming the field by its dotted path, the reason and what to do. */
final class InputError extends DomainException
{
    public function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }

    /** The same error seen from one level further out. */
    public function under(string $path): self
    {
        return new self($this->field === '' ? $path : $path.'.'.$this->field, $this->getMessage());
    }

    /** @return array{error: array{field: string, message: string}} */
    public function toArray(): array
    {
        return ['error' => ['field' => $this->field, 'message' => $this->getMessage()]];
    }
}
