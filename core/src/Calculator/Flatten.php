<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

use Attribute;

/** The property's fields stand in the JSON on the same level as its owner's, not one deeper. */
#[Attribute(Attribute::TARGET_PROPERTY | Attribute::TARGET_PARAMETER)]
final readonly class Flatten
{
}
