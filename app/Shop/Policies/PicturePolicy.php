<?php

declare(strict_types=1);

namespace App\Shop\Policies;

use App\People\Policies\ShopPolicy;

final class PicturePolicy extends ShopPolicy
{
}
