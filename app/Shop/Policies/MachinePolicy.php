<?php

declare(strict_types=1);

namespace App\Shop\Policies;

use App\People\Models\User;

final class MachinePolicy
{
    public function viewAny(User $user): bool
    {
        return $user->active;
    }

    /** What the shop works on is a lead's to say. */
    public function create(User $user): bool
    {
        return $user->active && $user->isLead();
    }

    public function update(User $user): bool
    {
        return $user->active && $user->isLead();
    }

    /** Whoever sees something says so, and whoever looks after it says that it is done. */
    public function raiseCare(User $user): bool
    {
        return $user->active;
    }

    /** An instrument's token carries the scope; a person at a screen may type readings too. */
    public function addReadings(User $user): bool
    {
        return $user->active;
    }
}
