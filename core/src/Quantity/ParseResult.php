<?php

declare(strict_types=1);

namespace Dithermic\Core\Quantity;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ParseResult extends Result
{
    public function __construct(
        #[Field('in the unit that the shop keeps')] public readonly float $value,
        #[Field('mm, g, °C, bar or min')] public readonly string $unit,
    ) {
    }
}
