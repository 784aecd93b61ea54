<?php

declare(strict_types=1);

namespace Tests;

use Dithermic\Core\Calculator\Field;

final readonly class Leaves
{
    public function __construct(#[Field('', 'g')] public ?float $leaf_g = null)
    {
    }
}
