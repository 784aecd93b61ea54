<?php

declare(strict_types=1);

namespace App\People\Http\Requests;

use App\Http\Body;
use App\People\Models\User;
use App\People\Support\Role;
use Illuminate\Validation\Rule;

final class ChangePersonRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('manage', User::class);
    }

    public function rules(): array
    {
        return [
            'active' => ['required', 'boolean'],
            'role' => ['required', Rule::enum(Role::class)],
        ];
    }
}
