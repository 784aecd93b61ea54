<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

/** The command line's door: a name is a path. Stream addresses ("scheme://…"), folders and devices are refused. */
final class LocalFiles implements Files
{
    public function path(string $name): string
    {
        if (str_contains($name, '://') || str_contains($name, "\0") || ! is_file($name)) {
            throw new InputError('file', 'there is no such file');
        }
        if (! is_readable($name)) {
            throw new InputError('file', 'may not be read');
        }

        return $name;
    }

    public function progress(float $share): void
    {
        // The command line waits for the answer.
    }
}
