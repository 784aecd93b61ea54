<?php

declare(strict_types=1);

namespace App\Material\Policies;

use App\People\Models\User;
use App\People\Policies\ShopPolicy;

final class SourcePolicy extends ShopPolicy
{
    /** Taking a source into stock for good is a lead's word. */
    public function accept(User $user): bool
    {
        return $user->active && $user->isLead();
    }
}
