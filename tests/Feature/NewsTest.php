<?php

declare(strict_types=1);

use App\People\Models\User;
use Illuminate\Support\Facades\DB;

it('lets who is signed in listen, and nobody else', function (): void {
    $this->getJson('/api/v1/news')->assertStatus(401);
    $this->signedIn('ines')->get('/api/v1/news')->assertNoContent();
    $deaf = User::query()->where('login', 'ines')->firstOrFail()->createToken('probe', ['readings'])->plainTextToken;
    $this->app['auth']->forgetGuards();
    $this->withToken($deaf)->getJson('/api/v1/news')->assertForbidden();
});

it('tells of everything that a log of the shop is added to', function (string $table): void {
    $told = DB::table('pg_trigger')
        ->join('pg_class', 'pg_class.oid', '=', 'tgrelid')
        ->where('relname', $table)
        ->where('tgname', "{$table}_news")
        ->where('tgenabled', 'O');
    expect($told->exists())->toBeTrue();
})->with([
    'run_events', 'readings', 'alarms', 'change_log', 'lot_movements', 'goods_movements', 'dryings', 'order_log',
    'weighings', 'flaws', 'part_pictures', 'sample_log', 'shift_notes',
]);

it('tells once of a batch, and what is rolled back is told to nobody', function (): void {
    $of = (array) config('database.connections.pgsql');
    $said = array_map(
        static fn (string $name, string $key): string => "{$name}='".addcslashes((string) $of[$key], "'\\")."'",
        ['host', 'port', 'dbname', 'user', 'password'],
        ['host', 'port', 'database', 'username', 'password'],
    );
    $line = pg_connect(implode(' ', $said), PGSQL_CONNECT_FORCE_NEW);
    pg_query($line, 'listen news');
    $told = static function () use ($line): array {
        usleep(50_000);
        pg_consume_input($line);
        $all = [];
        do {
            $one = (array) pg_get_notify($line);
            $all[] = $one['payload'] ?? null;
        } while (isset($one['payload']));

        return array_values(array_filter($all));
    };
    // A table of this line alone, with the trigger of the logs: what a test does elsewhere is never committed.
    pg_query($line, 'create temp table read (machine_id int)');
    pg_query($line, "create trigger read_news after insert on read referencing new table as new_rows
        for each statement execute function tell_news('machine', 'machine_id')");
    pg_query($line, 'insert into read select 3 + i % 2 from generate_series(1, 5000) i');
    $all = $told();
    sort($all);
    expect($all)->toBe(['machine 3', 'machine 4']);
    pg_query($line, 'begin; insert into read values (5)');
    expect($told())->toBe([]);
    pg_query($line, 'rollback');
    expect($told())->toBe([]);
});
