<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;

final class MachinePolicy
{
    public function viewAny(User $user): bool
    {
        return $user->active;
    }

    /** An instrument's token carries the scope; a person at a screen may type readings too. */
    public function addReadings(User $user): bool
    {
        return $user->active;
    }
}
