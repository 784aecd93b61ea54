<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;

final class DryingPolicy
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
