<?php

declare(strict_types=1);

namespace Dithermic\Core\Finishing;

use Dithermic\Core\Calculator\Field;

/** A bought-in part that an operation takes. */
final readonly class PartUse
{
    public function __construct(
        #[Field('its name')] public string $part,
        #[Field('for each piece', '', min: 1, max: 10000)] public int $count,
    ) {
    }
}
