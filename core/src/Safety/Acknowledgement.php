<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

final readonly class Acknowledgement
{
    public function __construct(public string $id, public string $text, public bool $given)
    {
    }
}
