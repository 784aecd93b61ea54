<?php

declare(strict_types=1);

namespace App\Bench\Policies;

use App\Bench\Models\Task;
use App\People\Models\User;
use App\People\Support\Role;

final class TaskPolicy
{
    public function view(User $user, Task $task): bool
    {
        return $user->active && ($user->role === Role::Lead || $user->id === $task->by_id);
    }
}
