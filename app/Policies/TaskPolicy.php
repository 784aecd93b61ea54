<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Task;
use App\Models\User;
use App\Support\Role;

final class TaskPolicy
{
    public function view(User $user, Task $task): bool
    {
        return $user->active && ($user->role === Role::Lead || $user->id === $task->by_id);
    }
}
