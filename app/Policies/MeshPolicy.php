<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Mesh;
use App\Models\User;
use App\Support\Role;

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
