<?php

declare(strict_types=1);

namespace App\Shop\Policies;

use App\People\Models\User;

final class PolymerOverridePolicy
{
    public function viewAny(User $user): bool
    {
        return $user->active;
    }

    public function create(User $user): bool
    {
        return $user->active && $user->isLead();
    }
}
