<?php

declare(strict_types=1);

namespace App\Planning\Policies;

use App\People\Policies\ShopPolicy;

/** Orders, who is here and what is wanted of the day are everybody's to say. */
final class ShopOrderPolicy extends ShopPolicy
{
}
