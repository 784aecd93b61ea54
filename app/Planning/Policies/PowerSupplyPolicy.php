<?php

declare(strict_types=1);

namespace App\Planning\Policies;

use App\People\Models\User;

/** What the wiring carries is for a lead to say, who has asked whoever is licensed for it. */
final class PowerSupplyPolicy
{
    public function create(User $user): bool
    {
        return $user->active && $user->isLead();
    }
}
