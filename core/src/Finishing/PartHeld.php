<?php

declare(strict_types=1);

namespace Dithermic\Core\Finishing;

use Dithermic\Core\Calculator\Field;

/** A bought-in part on its shelf. */
final readonly class PartHeld
{
    public function __construct(
        #[Field('its name')] public string $part,
        #[Field('', '', min: 0, max: 1e9)] public int $held,
        #[Field('at so many or fewer more are ordered', '', min: 0, max: 1e9)] public ?int $reorder_at = null,
        #[Field('how many there ought to be then', '', min: 1, max: 1e9)] public ?int $order_to = null,
    ) {
    }
}
