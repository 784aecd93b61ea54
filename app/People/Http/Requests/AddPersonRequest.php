<?php

declare(strict_types=1);

namespace App\People\Http\Requests;

use App\Http\Body;
use App\People\Models\User;
use App\People\Support\People;
use App\People\Support\Role;
use Illuminate\Validation\Rule;

final class AddPersonRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('manage', User::class);
    }

    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'login' => ['required', 'string', 'regex:/^[\p{L}\d._-]{2,40}$/u', 'unique:users,login'],
            'role' => ['required', Rule::enum(Role::class)],
            'password' => People::passwordRules(...array_filter($this->only('name', 'login'), is_string(...))),
        ];
    }

    protected function prepareForValidation(): void
    {
        if (is_string($this->input('login'))) {
            $this->merge(['login' => mb_strtolower($this->input('login'))]);
        }
    }
}
