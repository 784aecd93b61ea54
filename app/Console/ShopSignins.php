<?php

declare(strict_types=1);

namespace App\Console;

use App\People\Models\User;
use App\People\Support\Role;
use Database\Seeders\DemoShop;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

final class ShopSignins extends Command
{
    protected $signature = 'shop:signins';

    protected $description = 'Say how to sign in: the demo people, or the first lead of a new shop';

    public function handle(): int
    {
        if (! User::query()->exists()) {
            $password = Str::lower(Str::random(5).'-'.Str::random(5).'-'.Str::random(5));
            User::query()->create([
                'name' => 'Lead',
                'login' => 'lead',
                'role' => Role::Lead,
                'password' => $password,
                'preferences' => [],
                'active' => true,
            ]);
            $this->line("A new shop. Sign in as lead with the password {$password} (shown only this once).");

            return self::SUCCESS;
        }
        foreach (DemoShop::PEOPLE as $name => [$login, $role, $password, $pin]) {
            $user = User::query()->where('login', $login)->first();
            if ($user !== null && Hash::check($password, $user->password)) {
                $this->line(sprintf(
                    '  %-16s %-9s sign in as %-7s password %-18s PIN %s',
                    $name,
                    $role->value,
                    $login,
                    $password,
                    $pin,
                ));
            }
        }

        return self::SUCCESS;
    }
}
