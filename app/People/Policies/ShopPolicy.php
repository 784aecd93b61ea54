<?php

declare(strict_types=1);

namespace App\People\Policies;

use App\People\Models\User;

/** What everybody who works in the shop may do; a policy of its own adds what is kept to a lead. */
abstract class ShopPolicy
{
    public function viewAny(User $user): bool
    {
        return $user->active;
    }

    public function view(User $user): bool
    {
        return $user->active;
    }

    public function create(User $user): bool
    {
        return $user->active;
    }

    public function update(User $user): bool
    {
        return $user->active;
    }
}
