<?php

declare(strict_types=1);

namespace Tests;

use App\People\Models\User;
use Database\Seeders\DemoShop;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Support\Facades\Artisan;
use RuntimeException;

abstract class TestCase extends BaseTestCase
{
    private static bool $ready = false;

    /** who signed in last: that person confirms what a run wants confirmed */
    public static string $who = 'ines';

    protected function setUp(): void
    {
        parent::setUp();
        if (! self::$ready && getenv('TEST_SHOP') !== 'seeded') {
            if (! str_ends_with((string) config('database.connections.pgsql.database'), '_test')) {
                throw new RuntimeException('tests run on a database whose name ends in _test: use `dithermic test`');
            }
            $this->app?->make('db')->connection()->rollBack();
            Artisan::call('migrate:fresh', ['--force' => true]);
            app(DemoShop::class)();
            self::$ready = true;
            $this->app?->make('db')->connection()->beginTransaction();
        }
        self::$who = 'ines';
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
