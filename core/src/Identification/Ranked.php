<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\Field;

final readonly class Ranked
{
    public function __construct(public string $code, #[Field('0 to 1')] public float $probability)
    {
    }
}
