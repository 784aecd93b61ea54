<?php

declare(strict_types=1);

namespace App\Policies;

final class ChargePolicy extends ShopPolicy
{
}
