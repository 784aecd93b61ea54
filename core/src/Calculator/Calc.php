<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

use Attribute;

/** Gives a calculation its public name and its purpose in one line. */
#[Attribute(Attribute::TARGET_CLASS)]
final readonly class Calc
{
    public function __construct(public string $name, public string $purpose)
    {
    }
}
