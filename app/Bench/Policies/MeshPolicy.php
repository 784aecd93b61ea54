<?php

declare(strict_types=1);

namespace App\Bench\Policies;

use App\Bench\Models\Mesh;
use App\People\Models\User;
use App\People\Support\Role;

final class MeshPolicy
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

    public function delete(User $user, Mesh $mesh): bool
    {
        return $user->active && ($user->role === Role::Lead || $user->id === $mesh->by_id);
    }
}
