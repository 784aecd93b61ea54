<?php

declare(strict_types=1);

namespace App\Shop\Policies;

use App\People\Models\User;

final class ProductPolicy
{
    public function viewAny(User $user): bool
    {
        return $user->active;
    }

    public function view(User $user): bool
    {
        return $user->active;
    }

    /** What the shop makes is a lead's to say. */
    public function create(User $user): bool
    {
        return $user->active && $user->isLead();
    }

    public function update(User $user): bool
    {
        return $user->active && $user->isLead();
    }

    /** Whoever hands goods out or counts them. */
    public function moveGoods(User $user): bool
    {
        return $user->active;
    }
}
