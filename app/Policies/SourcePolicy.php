<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;

final class SourcePolicy
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

    /** Taking a source into stock for good is a lead's word. */
    public function accept(User $user): bool
    {
        return $user->active && $user->isLead();
    }
}
