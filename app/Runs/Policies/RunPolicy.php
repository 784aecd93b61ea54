<?php

declare(strict_types=1);

namespace App\Runs\Policies;

use App\People\Models\User;
use App\People\Policies\ShopPolicy;

/** Everybody of the shop may see and run; what a lead alone may do is asked for by name. */
final class RunPolicy extends ShopPolicy
{
    public function record(User $user): bool
    {
        return $user->active;
    }
}
