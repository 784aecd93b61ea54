<?php

declare(strict_types=1);

namespace App\Causes\Policies;

use App\People\Policies\ShopPolicy;

/** Whoever stands at the machine looks for the cause. */
final class CaseOfPolicy extends ShopPolicy
{
}
