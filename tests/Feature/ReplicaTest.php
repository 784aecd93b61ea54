<?php

declare(strict_types=1);

use App\Http\Middleware\FromTheReplica;
use App\Material\Models\Lot;
use App\Runs\Models\Run;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Env;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Exceptions;
use Illuminate\Support\Facades\Route;

/** The same database over a connection that takes no writes, as a replica's does. */
function withReplica(array $over = []): void
{
    config(['database.connections.'.FromTheReplica::CONNECTION => [
        ...config('database.connections.pgsql'),
        'application_name' => 'dithermic-reading',
        'isolation_level' => 'read committed read only',
        ...$over,
    ]]);
}

/** @return array<string, list<string>> the statements of a request, by the connection they went over */
function asked(string $path): array
{
    $asked = [];
    DB::listen(static function (QueryExecuted $of) use (&$asked): void {
        $asked[$of->connectionName][] = $of->sql;
    });
    test()->signedIn()->get("/api/v1/{$path}")->assertOk();

    return $asked;
}

/** Every address of the group, with what the demo has. */
function heavyPages(): array
{
    $run = Run::query()->whereNotNull('ended_at')->orderBy('number')->firstOrFail();
    $lot = Lot::query()->orderBy('id')->firstOrFail();
    $midnight = (int) today()->timestamp;

    return array_map(
        static fn (string $uri): string => strtr(substr($uri, strlen('api/v1/')), [
            'day/more' => "day/more?from={$midnight}&until=".($midnight + 86_400),
            'lots/{lot}/history' => "lots/{$lot->code}/history",
            '{lot}' => (string) $lot->id,
            '{run}' => (string) $run->id,
            '{product}' => (string) $run->product_id,
            '{format}' => 'json',
        ]),
        array_values(array_map(
            static fn (Illuminate\Routing\Route $of): string => $of->uri(),
            array_filter(
                Route::getRoutes()->getRoutes(),
                static fn (Illuminate\Routing\Route $of): bool => in_array('replica', $of->gatherMiddleware(), true),
            ),
        )),
    );
}

it('reads heavy pages from the replica, all of what they show', function (): void {
    withReplica();
    $pages = heavyPages();
    expect(count($pages))->toBeGreaterThan(10);
    foreach ($pages as $page) {
        $asked = asked($page);
        $own = implode("\n", $asked['pgsql'] ?? []);
        expect(count($asked[FromTheReplica::CONNECTION] ?? []))->toBeGreaterThan(1, $page)
            ->and($own)->not->toMatch('/from "(runs|lots|run_events|products|pieces|readings|lot_movements)"/', $page);
    }
});

it('reads them from the database itself where there is no replica, and where it is gone or was promoted', function (?array $over): void {
    Exceptions::fake();
    if ($over !== null) {
        withReplica($over);
    }
    $asked = asked('learnt');
    expect(array_diff(array_keys($asked), ['pgsql', 'pgsql_soft', FromTheReplica::CONNECTION]))->toBe([])
        ->and(implode("\n", $asked['pgsql']))->toContain('from "products"')
        ->and(count($asked[FromTheReplica::CONNECTION] ?? []))->toBeLessThan(2);
    if (($over['port'] ?? null) !== null) {
        Exceptions::assertReported(Illuminate\Database\QueryException::class);
        // Nobody waits for it again so soon.
        asked('learnt');
        Exceptions::assertReportedCount(1);
        $this->travel(31)->seconds();
        asked('learnt');
        Exceptions::assertReportedCount(2);
    }
})->with([
    'none' => [null],
    'gone' => [['port' => '1']],
    'promoted' => [['isolation_level' => 'read committed']],
]);

it('is the shop\'s own database again for the next, which writes', function (): void {
    withReplica();
    $this->signedIn()->getJson('/api/v1/learnt')->assertOk();
    expect(DB::getDefaultConnection())->toBe('pgsql');
    $this->signedIn('maren')->postJson('/api/v1/sources', ['name' => 'after a look back'])->assertCreated();
});

it('sets and prepares nothing behind a pooler, where each way to commit has a name', function (): void {
    $read = static function (array $given): array {
        $env = Env::getRepository();
        array_walk($given, static fn (string $value, string $name) => $env->set($name, $value));
        try {
            return (require base_path('config/database.php'))['connections'];
        } finally {
            array_walk($given, static fn (string $value, string $name) => $env->clear($name));
        }
    };
    $pooled = $read(['DB_POOLED' => 'true', 'DB_READ_PORT' => '6432', 'DB_DIRECT_PORT' => '5433']);
    $name = (string) env('DB_DATABASE', 'laravel');
    expect(array_map(static fn (array $of): string => $of['database'], $pooled))->toBe([
        'pgsql' => $name, 'pgsql_soft' => "{$name}_soft", 'pgsql_reading' => "{$name}_reading",
    ])->and($pooled['pgsql']['direct_port'])->toBe('5433');
    foreach ($pooled as $of) {
        expect($of)->not->toHaveKey('synchronous_commit')
            ->and($of['options'][PDO::PGSQL_ATTR_DISABLE_PREPARES])->toBeTrue();
    }
    // Without one each waits as it should: with a replica until that shows it too.
    expect($read([])['pgsql']['synchronous_commit'])->toBe('on')
        ->and($read([])['pgsql_soft']['synchronous_commit'])->toBe('off')
        ->and($read([]))->not->toHaveKey('pgsql_reading')
        ->and($read(['DB_READ_PORT' => '5433'])['pgsql']['synchronous_commit'])->toBe('remote_apply')
        ->and(
            $read(['DB_READ_PORT' => '5433'])['pgsql_reading'],
        )->toMatchArray(['port' => '5433', 'database' => $name]);
});
