<?php

declare(strict_types=1);

namespace Tests;

use App\People\Models\User;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use RuntimeException;

abstract class TestCase extends BaseTestCase
{
    /** who signed in last: that person confirms what a run wants confirmed */
    public static string $who = 'ines';

    protected function setUp(): void
    {
        parent::setUp();
        if (! str_ends_with((string) config('database.connections.pgsql.database'), '_test')) {
            throw new RuntimeException(
                'tests run on a database whose name ends in _test, seeded: use `dithermic test`',
            );
        }
        self::$who = 'ines';
        // Each request is a world of its own, as it is for php-fpm.
        $this->app?->terminating(fn () => $this->app?->forgetScopedInstances());
        $this->withHeader('Origin', (string) config('app.url'));
    }

    public function signedIn(string $login = 'ines'): static
    {
        // Another person is another session, as on a real screen.
        self::$who = $login;
        $this->flushSession();
        app('auth')->forgetGuards();

        return $this->actingAs(User::query()->where('login', $login)->firstOrFail(), 'web');
    }
}
