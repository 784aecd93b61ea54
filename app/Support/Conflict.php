<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/** An id that stands for something already was sent again with other content: nothing was done. */
final class Conflict extends RuntimeException
{
    public function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }

    public static function of(string $field = 'id'): self
    {
        return new self($field, 'was used before for something else: nothing was done, send this with a new one');
    }
}
