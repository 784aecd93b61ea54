<?php

declare(strict_types=1);

namespace App\Runs\Policies;

use App\People\Models\User;
use App\People\Policies\ShopPolicy;

/** Whoever works by a procedure may propose; how the shop works is a lead's to say. */
final class ProcedureEntryPolicy extends ShopPolicy
{
    public function decide(User $user): bool
    {
        return $user->active && $user->isLead();
    }
}
