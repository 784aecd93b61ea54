<?php

declare(strict_types=1);

namespace App\Runs\Policies;

use App\People\Models\User;
use App\People\Policies\ShopPolicy;

/** What leaves the shop is a lead's to say. */
final class PassportLinePolicy extends ShopPolicy
{
    public function create(User $user): bool
    {
        return $user->active && $user->isLead();
    }
}
