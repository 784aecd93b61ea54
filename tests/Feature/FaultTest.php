<?php

declare(strict_types=1);

use App\Material\Actions\ImportRows;
use App\Material\Models\Act;
use App\Support\Csv;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;

it('answers what is merely wrong with its field, never with a fault of its own', function (
    string $method,
    string $path,
    array $body,
    int $status,
): void {
    $answer = $this->signedIn('maren')->json($method, "/api/v1/{$path}", $body);
    expect([$path, $answer->status()])->toBe([$path, $status])
        ->and((string) $answer->json('error.message'))->not
        ->toBe('')
        ->and((string) $answer->getContent())->not
        ->toContain('App\\\\');
})->with([
    ['POST', 'lots/99999999999999999999/acts', [], 404],
    ['GET', 'sources/99999999999999999999', [], 404],
    ['POST', 'products/abc/recipes', [], 404],
    ['GET', 'lots?find[]=a', [], 422],
    ['GET', 'lots?polymer[]=a', [], 422],
    ['GET', 'lots?find=%ff', [], 422],
    ['GET', 'lots?after=99999999999999999999', [], 422],
    ['GET', 'lots?find=a%00b', [], 422],
    ['GET', 'runs?after=99999999999999999999_0190b0e0-0000-7000-8000-000000000000', [], 422],
    ['GET', 'runs?after=1_------------------------------------', [], 422],
    ['POST', 'session', ['login' => ['a'], 'password' => 'x'], 422],
    ['POST', 'session/pin', ['person_id' => [1], 'pin' => '1'], 422],
    ['POST', 'session/pin', ['person_id' => '99999999999999999999', 'pin' => '1'], 422],
    ['GET', 'lots/L-99999', [], 404],
    ['GET', 'runs/0190b0e0-0000-7000-8000-000000000000', [], 404],
    ['PATCH', 'lots', [], 405],
    ['POST', 'sources', ['name' => "a\0b"], 422],
    ['POST', 'sources', ["na\0me" => 'b'], 422],
    ['GET', 'calc/'.str_repeat('a', 300), [], 404],
    ['PUT', 'people/99999999999999999', ['active' => true, 'role' => 'lead'], 404],
    ['DELETE', 'tokens/0', [], 404],
]);

it('keeps what is sent beside a poisoned entry', function (): void {
    $run = startRun()->json('summary.id');
    $note = static fn (string $key, string $text): array => [
        'key' => $key,
        'type' => 'noted',
        'at' => shopNow(),
        'data' => ['text' => $text],
    ];
    $this->postJson(
        "/api/v1/runs/{$run}/events",
        ['events' => [$note('good-one-1', 'all well'), $note('bad-one-12', str_repeat('x', 2001))]],
    )->assertStatus(422)->assertJsonPath('error.field', 'events.1.data');
    $this->postJson(
        "/api/v1/runs/{$run}/events",
        ['events' => [$note('good-one-1', 'all well')]],
    )->assertOk()->assertJsonPath('stored.0', 'good-one-1');
    $this->postJson("/api/v1/runs/{$run}/events", ['events' => [$note('bad-one-13', "a\0b")]])->assertStatus(422);
    $many = [
        'key' => 'bad-one-14',
        'type' => 'noted',
        'at' => shopNow(),
        'data' => ['text' => 'x', 'more' => array_fill(0, 3000, 'words')],
    ];
    $this->postJson("/api/v1/runs/{$run}/events", ['events' => [$many]])->assertStatus(422);
});

it('says that nothing was stored when the database cannot take it', function (string $code, int $status): void {
    Route::middleware('api')->get('api/v1/broken', static fn () => throw new class($code) extends PDOException
    {
        public function __construct(string $code)
        {
            parent::__construct('made up');
            $this->code = $code;
        }
    });
    $this->getJson('/api/v1/broken')
        ->assertStatus($status)
        ->assertJsonPath('error.field', $status === 422 ? 'request' : 'database');
})->with([
    ['53100', 503],
    ['57P01', 503],
    ['08006', 503],
    ['55P03', 503],
    ['57014', 503],
    ['40P01', 503],
    ['22P05', 422],
    ['22003', 422],
]);

it('answers all the same when the log cannot be written', function (): void {
    config()->set('logging.channels.file.path', '/proc/nowhere/laravel.log');
    config()->set('logging.channels.tries.path', '/proc/nowhere/security.log');
    Log::forgetChannel('security');
    $this->postJson('/api/v1/session', ['login' => 'ines', 'password' => 'wrong'])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'password');
});

it('does an act once for its id, and refuses the id with other content', function (): void {
    $lot = $this->signedIn()->getJson('/api/v1/lots')->json('items.0');
    $other = $this->getJson('/api/v1/lots')->json('items.1');
    $act = ['id' => (string) Str::uuid(), 'kind' => 'waste', 'mass_g' => 12, 'reason' => 'swept up'];
    $this->postJson("/api/v1/lots/{$lot['id']}/acts", $act)->assertCreated();
    $this->postJson("/api/v1/lots/{$lot['id']}/acts", array_reverse($act, true))->assertCreated();
    expect(
        (float) $this->getJson("/api/v1/lots/{$lot['id']}")->json('lot.mass_g'),
    )->toEqualWithDelta($lot['mass_g'] - 12, 1e-6);
    $this->postJson(
        "/api/v1/lots/{$other['id']}/acts",
        ['mass_g' => 999] + $act,
    )->assertStatus(409)->assertJsonPath('error.field', 'id');
    $this->postJson("/api/v1/lots/{$lot['id']}/acts", ['mass_g' => 13] + $act)->assertStatus(409);
    expect(
        (float) $this->getJson("/api/v1/lots/{$other['id']}")->json('lot.mass_g'),
    )->toEqualWithDelta($other['mass_g'], 1e-6)
        ->and(Act::query()->whereKey($act['id'])->count())
        ->toBe(1);
});

it('lets an id that was refused be used again, put right', function (): void {
    $lot = $this->signedIn()->getJson('/api/v1/lots')->json('items.0');
    $act = ['id' => (string) Str::uuid(), 'kind' => 'split', 'mass_g' => 1e8];
    $this->postJson("/api/v1/lots/{$lot['id']}/acts", $act)->assertStatus(422);
    $this->postJson("/api/v1/lots/{$lot['id']}/acts", ['mass_g' => 10] + $act)->assertCreated();
});

it('starts a run once for its id, and refuses the id for another', function (): void {
    $id = (string) Str::uuid();
    $first = startRun(['id' => $id]);
    startRun(['id' => $id])->assertJsonPath('summary.number', $first->json('summary.number'));
    $this->postJson(
        '/api/v1/runs',
        ['id' => $id] + panel(['settings' => ['thickness_mm' => 9]]) + ['confirmed_by' => person()->id],
    )->assertStatus(409);
});

it('refuses an entry whose key stands for another one', function (): void {
    $run = startRun()->json('summary.id');
    $at = shopNow();
    $send = fn (string $text) => $this->postJson(
        "/api/v1/runs/{$run}/events",
        ['events' => [['key' => 'the-same-key', 'type' => 'noted', 'at' => $at, 'data' => ['text' => $text]]]],
    )->assertOk();
    expect($send('steam at the corner')->json('stored'))->toBe(['the-same-key'])
        ->and($send('steam at the corner')->json('stored'))
        ->toBe(['the-same-key'])
        ->and($send('no steam')->json('refused.0.field'))->toBe('key');
});

it('answers a batch of readings as before when it comes again, and names what differs', function (): void {
    $at = shopNow() - 30;
    $batch = [
        'id' => (string) Str::uuid(),
        'readings' => [
            ['machine' => 'Anvil', 'channel' => 'probe', 'value' => 170.5, 'at' => $at],
            ['machine' => 'Anvil', 'channel' => 'probe', 'value' => 171.5, 'at' => $at + 1],
        ],
    ];
    $this->signedIn()
        ->postJson('/api/v1/readings', $batch)
        ->assertCreated()
        ->assertJsonPath('stored', 2)
        ->assertJsonPath('known', 0);
    $this->postJson('/api/v1/readings', $batch)->assertCreated()->assertJsonPath('stored', 2);
    $this->postJson(
        '/api/v1/readings',
        ['readings' => [['machine' => 'Anvil', 'channel' => 'probe', 'value' => 1, 'at' => $at]]] + $batch,
    )->assertStatus(409);
    $again = $this->postJson(
        '/api/v1/readings',
        [
            'readings' => [
                ['machine' => 'Anvil', 'channel' => 'probe', 'value' => 99, 'at' => $at],
                ['machine' => 'Anvil', 'channel' => 'probe', 'value' => 171.5, 'at' => $at + 1],
            ],
        ],
    )->assertCreated();
    expect($again->json('stored'))->toBe(0)
        ->and($again->json('known'))
        ->toBe(2)
        ->and($again->json('differing'))
        ->toHaveCount(1)
        ->and($again->json('differing.0.kept'))
        ->toEqual(170.5)
        ->and($again->json('differing.0.sent'))
        ->toEqual(99);
    expect(DB::table('readings')->where('channel', 'probe')->count())->toBe(2);
    $this->travel(8)->days();
    DB::table('reading_batches')->update(['at' => now()->subDays(8)]);
    $this->postJson(
        '/api/v1/readings',
        ['id' => (string) Str::uuid()] + [
            'readings' => [['machine' => 'Anvil', 'channel' => 'probe', 'value' => 3, 'at' => $at + 2]],
        ],
    )->assertCreated();
    expect(DB::table('reading_batches')->where('id', $batch['id'])->exists())->toBeFalse();
});

it('names the row of a reading that is none', function (mixed $row, string $field): void {
    $this->signedIn()->postJson(
        '/api/v1/readings',
        ['readings' => [['machine' => 'Anvil', 'channel' => 'probe', 'value' => 1], $row]],
    )->assertStatus(422)->assertJsonPath('error.field', "readings.1.{$field}");
})->with([
    ['a word', 'machine'],
    [['machine' => ['Anvil']], 'machine'],
    [['machine' => 'Anvil'], 'channel'],
    [['machine' => 'Anvil', 'channel' => 'A B', 'value' => 1], 'channel'],
    [['machine' => 'Anvil', 'channel' => 'probe', 'value' => 'hot'], 'value'],
    [['machine' => 'Anvil', 'channel' => 'probe'], 'value'],
    [['machine' => 'Anvil', 'channel' => 'probe', 'value' => 1, 'at' => 9e15], 'at'],
    [['machine' => 'Anvil', 'channel' => 'probe', 'value' => 1, 'at' => []], 'at'],
]);

it('looks through twenty thousand rows without comparing each with all', function (): void {
    $text = "name\n".implode(
        "\n",
        array_map(static fn (int $i): string => "Source {$i}", range(1, 19_999)),
    )."\nSource 1\n";
    $began = hrtime(true);
    $done = app(ImportRows::class)((string) Str::uuid(), person(), 'sources', $text, true);
    expect($done['errors'])->toBe([[
        'row' => 20_001,
        'field' => 'name',
        'message' => '"Source 1" stands in the file twice',
    ]])->and((hrtime(true) - $began) / 1e9)->toBeLessThan(10.0);
});

it('refuses a file of too many columns, or of one named twice', function (string $header): void {
    expect(fn () => Csv::read("{$header}\n1\n", ['name']))->toThrow(InputError::class);
})->with(['name,'.implode(',', array_map(static fn (int $i): string => "c{$i}", range(1, 61))), 'name,note,note']);

it('writes no cell that a spreadsheet would run, whatever splits it', function (string $cell): void {
    expect(str_getcsv(explode("\r\n", Csv::write(['a'], [[$cell]]))[1], ',', '"', '')[0])->toStartWith("'");
})->with(['=1+1', '@now', '+x', "\tx", 'x;=HYPERLINK("e")', "x\t=1+1", 'x, =cmd', 'x|@y']);

it('sends what it logs to the system too where it is told to, and only there', function (): void {
    $channels = static fn (): array => array_column((require config_path('logging.php'))['channels'], 'channels');
    expect($channels())->toBe([['file'], ['tries']]);
    $_SERVER['LOG_SYSLOG'] = 'true';
    try {
        expect($channels())->toBe([['file', 'syslog'], ['tries', 'syslog']]);
    } finally {
        unset($_SERVER['LOG_SYSLOG']);
    }
});
