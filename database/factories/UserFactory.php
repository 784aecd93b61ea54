<?php

declare(strict_types=1);

namespace Database\Factories;

use App\People\Models\User;
use App\People\Support\Role;
use Illuminate\Database\Eloquent\Factories\Factory;

/** @extends Factory<User> */
final class UserFactory extends Factory
{
    protected $model = User::class;

    public function definition(): array
    {
        $login = 'person-'.bin2hex(random_bytes(4));

        return [
            'name' => ucfirst($login),
            'login' => $login,
            'role' => Role::Operator,
            'password' => 'a long one of its own',
            'pin' => null,
            'preferences' => [],
            'active' => true,
        ];
    }

    public function lead(): self
    {
        return $this->state(['role' => Role::Lead]);
    }
}
