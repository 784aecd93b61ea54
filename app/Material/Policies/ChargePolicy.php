<?php

declare(strict_types=1);

namespace App\Material\Policies;

use App\People\Policies\ShopPolicy;

final class ChargePolicy extends ShopPolicy
{
}
