<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;

final class UserPolicy
{
    public function viewAny(User $user): bool
    {
        return $user->active;
    }

    public function update(User $user, User $person): bool
    {
        return $user->active && $user->is($person);
    }

    public function makeToken(User $user): bool
    {
        return $user->active && $user->isLead();
    }
}
