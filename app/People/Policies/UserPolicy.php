<?php

declare(strict_types=1);

namespace App\People\Policies;

use App\People\Models\User;

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

    /** people, tokens and screens of the shop */
    public function manage(User $user): bool
    {
        return $user->active && $user->isLead();
    }
}
