<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

final readonly class MachineFacts
{
    public function __construct(
        #[Field('the shop\'s name for it')] public ?string $name = null,
        #[Field('polymer that is still in the barrel, or was last on the platens')] public ?string $last_polymer = null,
        #[Field('highest set-point the machine\'s manual allows', '°C', min: 0, max: 1000)] public ?float $max_c = null,
    ) {
    }
}
