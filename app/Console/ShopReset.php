<?php

declare(strict_types=1);

namespace App\Console;

use App\People\Models\User;
use App\People\Support\People;
use Illuminate\Console\Command;
use Illuminate\Support\Str;

/** For whoever is locked out and has nobody to ask: the one who has the server's key. */
final class ShopReset extends Command
{
    protected $signature = 'shop:reset {login : what the person signs in as}';

    protected $description = 'A new password for somebody; the PIN and every screen of that person are forgotten';

    public function handle(People $people): int
    {
        $person = User::query()->where('login', mb_strtolower((string) $this->argument('login')))->first();
        if ($person === null) {
            $this->error(
                'Nobody signs in by that name. There are: '.User::query()->orderBy('login')
                    ->pluck('login')
                    ->implode(', '),
            );

            return self::FAILURE;
        }
        $password = implode('-', [Str::lower(Str::random(5)), Str::lower(Str::random(5)), Str::lower(Str::random(5))]);
        $people->reset($person, $password);
        $this->line(
            "{$person->name} signs in as {$person->login} with the password {$password} (shown only this once).",
        );

        return self::SUCCESS;
    }
}
