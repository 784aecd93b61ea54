<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

/**
 * What sets the target on the scale; practitioners differ. By density is our default: it alone holds for every polymer.
 */
enum ChargeMethod: string
{
    case TrueDensity = 'true_density';
    case AsWater = 'as_water';
    case ShopRule = 'shop_rule';
}
