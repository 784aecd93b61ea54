<?php

declare(strict_types=1);

use App\People\Models\Device;
use App\People\Models\User;
use App\People\Support\Tries;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Laravel\Sanctum\PersonalAccessToken;

/** @param  array<string, mixed>  $asked */
function tokenFor(array $asked): string
{
    $token = test()->signedIn('maren')
        ->postJson('/api/v1/tokens', $asked + ['name' => 'made by a test'])
        ->assertCreated()
        ->json('token');
    app('auth')->forgetGuards();
    test()->flushSession();
    test()->flushHeaders()->withToken($token);

    return $token;
}

it('gives a token what it says and nothing else', function (string $scope, array $may, array $mayNot): void {
    tokenFor(['scopes' => [$scope]] + ($scope === 'readings' ? ['machine_id' => machineNamed('Anvil')] : []));
    foreach ($may as [$method, $path, $status]) {
        $this->json($method, "/api/v1/{$path}")->assertStatus($status);
    }
    foreach ($mayNot as [$method, $path]) {
        $this->json($method, "/api/v1/{$path}")->assertStatus(403);
    }
})->with([
    'readings' => [
        'readings',
        [['POST', 'readings', 422]],
        [
            ['GET', 'calc'],
            ['POST', 'calc/charge.sheet'],
            ['GET', 'lots'],
            ['POST', 'tokens'],
            ['GET', 'tokens'],
            ['GET', 'people'],
            ['PUT', 'me/preferences'],
            ['PUT', 'me/pin'],
            ['PUT', 'me/password'],
            ['POST', 'people'],
            ['GET', 'screens'],
            ['POST', 'polymers/PP/overrides'],
        ],
    ],
    'calc' => [
        'calc',
        [['GET', 'calc', 200], ['GET', 'calc/charge.sheet', 200], ['GET', 'meshes', 200]],
        [['POST', 'readings'], ['GET', 'lots'], ['POST', 'tokens'], ['GET', 'people'], ['PUT', 'me/preferences']],
    ],
    'shop' => [
        'shop',
        [['GET', 'lots', 200], ['GET', 'floor', 200]],
        [
            ['POST', 'readings'],
            ['POST', 'calc/charge.sheet'],
            ['POST', 'tokens'],
            ['GET', 'tokens'],
            ['GET', 'people'],
            ['GET', 'people/all'],
            ['PUT', 'me/pin'],
        ],
    ],
]);

it('lets an instrument speak for its own machine', function (): void {
    tokenFor(['scopes' => ['readings'], 'machine_id' => machineNamed('Anvil')]);
    $reading = static fn (string $machine): array => [
        'readings' => [['machine' => $machine, 'channel' => 'platen_top_c', 'value' => 181]],
    ];
    $this->postJson('/api/v1/readings', $reading('Anvil'))->assertCreated();
    $this->postJson('/api/v1/readings', $reading('Little Pond'))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'readings.0.machine');
});

it('binds a token of readings to a machine, and no other', function (): void {
    $this->signedIn('maren')
        ->postJson('/api/v1/tokens', ['name' => 'x', 'scopes' => ['readings']])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'machine_id');
    $this->postJson(
        '/api/v1/tokens',
        ['name' => 'x', 'scopes' => ['calc'], 'machine_id' => machineNamed('Anvil')],
    )->assertStatus(422)->assertJsonPath('error.field', 'machine_id');
    $this->postJson('/api/v1/tokens', ['name' => 'x', 'scopes' => ['*']])->assertStatus(422);
});

it('ends a token by its day, by hand, and with its person', function (): void {
    tokenFor(['scopes' => ['calc'], 'days' => 1]);
    $this->getJson('/api/v1/calc')->assertOk();
    $this->travel(25)->hours();
    app('auth')->forgetGuards();
    $this->getJson('/api/v1/calc')->assertStatus(401);
    $this->travelBack();
    app('auth')->forgetGuards();
    $this->getJson('/api/v1/calc')->assertOk();
    $id = (int) PersonalAccessToken::query()->latest('id')->value('id');
    User::query()->where('login', 'maren')->update(['active' => false]);
    app('auth')->forgetGuards();
    $this->getJson('/api/v1/calc')->assertStatus(401);
    User::query()->where('login', 'maren')->update(['active' => true]);
    $this->flushHeaders()->withHeader('Origin', (string) config('app.url'));
    $listed = $this->signedIn('maren')->getJson('/api/v1/tokens')->assertOk()->json('items');
    expect(array_column($listed, 'id'))->toContain($id)
        ->and(json_encode($listed))->not
        ->toContain(PersonalAccessToken::query()->findOrFail($id)->token);
    $this->deleteJson("/api/v1/tokens/{$id}")->assertNoContent();
    expect(PersonalAccessToken::query()->find($id))->toBeNull();
});

it('counts every wrong PIN for the person, however the number is written, waits longer each time, and locks', function (): void {
    $maren = User::query()->where('login', 'maren')->firstOrFail();
    $cookie = $this->postJson(
        '/api/v1/session',
        ['login' => 'maren', 'password' => 'two-heats-oak'],
    )->assertOk()->getCookie('dithermic_device', false);
    $this->withCredentials()->withUnencryptedCookie('dithermic_device', (string) $cookie?->getValue());
    foreach (['', '+', ' '] as $before) {
        $this->postJson(
            '/api/v1/session/pin',
            ['person_id' => $before.$maren->id, 'pin' => '0000'],
        )->assertStatus(422)->assertJsonPath('error.field', 'pin');
    }
    $tries = app(Tries::class);
    expect($tries->failed(Tries::pin($maren)))->toBe(3);
    DB::table('sign_in_tries')->where('subject', Tries::pin($maren))->update([
        'failed' => 6,
        'next_at' => DB::raw("now() - interval '1 s'"),
    ]);
    $this->postJson('/api/v1/session/pin', ['person_id' => $maren->id, 'pin' => '0000'])->assertStatus(422);
    $this->postJson('/api/v1/session/pin', ['person_id' => $maren->id, 'pin' => '4471'])->assertStatus(429);
    DB::table('sign_in_tries')->where('subject', Tries::pin($maren))->update([
        'failed' => Tries::LOCKED_AFTER,
        'next_at' => DB::raw("now() - interval '1 h'"),
    ]);
    Cache::flush();
    $this->postJson(
        '/api/v1/session/pin',
        ['person_id' => $maren->id, 'pin' => '4471'],
    )->assertStatus(422)->assertJsonPath(
        'error.message',
        'was wrong too often and is locked: sign in with the password, that opens it again',
    );
    $this->postJson('/api/v1/session', ['login' => 'maren', 'password' => 'two-heats-oak'])->assertOk();
    expect($tries->failed(Tries::pin($maren)))->toBe(0);
});

it('counts a try before it looks at it', function (): void {
    $tries = app(Tries::class);
    foreach ([0, 0, 0, 2, 4, 8] as $wait) {
        DB::table('sign_in_tries')->where('subject', 'word|test')->update(['next_at' => DB::raw('now()')]);
        $tries->begin('word|test');
        expect(
            (float) DB::scalar(
                "select extract(epoch from next_at - last_at) from sign_in_tries where subject = 'word|test'",
            ),
        )->toEqual((float) $wait);
    }
    DB::table('sign_in_tries')->where('subject', 'word|test')
        ->update(['failed' => 4000, 'next_at' => DB::raw('now()')]);
    $tries->begin('word|test');
    expect(
        (float) DB::scalar(
            "select extract(epoch from next_at - last_at) from sign_in_tries where subject = 'word|test'",
        ),
    )->toBeLessThanOrEqual(900.0);
});

it('does not let a stranger keep somebody out of a screen that knows them', function (): void {
    $cookie = $this->postJson(
        '/api/v1/session',
        ['login' => 'jun', 'password' => 'slow-and-even'],
    )->assertOk()->getCookie('dithermic_device', false);
    $this->deleteJson('/api/v1/session');
    for ($i = 0; $i < 5; $i++) {
        $this->postJson('/api/v1/session', ['login' => 'jun', 'password' => "guess {$i}"]);
    }
    expect(app(Tries::class)->failed(Tries::password('jun', '127.0.0.1')))->toBeGreaterThan(3);
    $this->withCredentials()
        ->withUnencryptedCookie('dithermic_device', (string) $cookie?->getValue())
        ->postJson('/api/v1/session', ['login' => 'jun', 'password' => 'slow-and-even'])
        ->assertOk();
});

it('takes the same work for a name that nobody has', function (): void {
    $nobody = (new ReflectionClassConstant(App\People\Http\SessionController::class, 'NOBODY'))->getValue();
    $real = Hash::make('x');
    expect(password_get_info($nobody)['algo'])->toBe(password_get_info($real)['algo'])
        ->and((int) password_get_info($nobody)['options']['cost'])
        ->toBe(12);
});

it('answers no other site, before it looks at a password', function (string $password): void {
    $answer = $this->flushHeaders()
        ->withHeader('Origin', 'http://elsewhere.test')
        ->postJson('/api/v1/session', ['login' => 'ines', 'password' => $password]);
    $answer->assertStatus(422)->assertJsonPath('error.field', 'session');
    expect($answer->headers->has('Access-Control-Allow-Origin'))->toBeFalse();
})->with(['flake-to-panel', 'wrong']);

it('adds, switches off and resets people, and keeps a lead', function (): void {
    $new = [
        'name' => 'Saturday helper',
        'login' => 'Helper',
        'role' => 'operator',
        'password' => 'long enough to keep',
    ];
    $this->signedIn('ines')->postJson('/api/v1/people', $new)->assertStatus(403);
    $id = $this->signedIn('maren')->postJson('/api/v1/people', $new)->assertCreated()->json('id');
    $this->postJson('/api/v1/people', $new)->assertStatus(422)->assertJsonPath('error.field', 'login');
    $this->postJson(
        '/api/v1/people',
        ['login' => 'other', 'password' => 'short'] + $new,
    )->assertStatus(422)->assertJsonPath('error.field', 'password');
    $this->postJson("/api/v1/people/{$id}/reset", ['password' => 'another long one'])->assertNoContent();
    expect(Hash::check('another long one', User::query()->findOrFail($id)->password))->toBeTrue();
    $this->putJson("/api/v1/people/{$id}", ['active' => false, 'role' => 'operator'])->assertNoContent();
    $maren = User::query()->where('login', 'maren')->firstOrFail();
    $this->putJson(
        "/api/v1/people/{$maren->id}",
        ['active' => false, 'role' => 'lead'],
    )->assertStatus(422)->assertJsonPath('error.field', 'active');
    $this->putJson(
        "/api/v1/people/{$maren->id}",
        ['active' => true, 'role' => 'operator'],
    )->assertStatus(422)->assertJsonPath('error.field', 'role');
    $this->postJson(
        "/api/v1/people/{$maren->id}/reset",
        ['password' => 'my own new password'],
    )->assertStatus(422)->assertJsonPath('error.field', 'person');
    $this->deleteJson('/api/v1/session');
    $this->postJson('/api/v1/session', ['login' => 'helper', 'password' => 'another long one'])->assertStatus(422);
});

it('shuts what a person had opened when the password is reset', function (): void {
    $this->postJson('/api/v1/session', ['login' => 'teodor', 'password' => 'warm-in-cold-out'])->assertOk();
    $teodor = User::query()->where('login', 'teodor')->firstOrFail();
    $screen = Device::query()->whereHas('people', static fn ($q) => $q->whereKey($teodor->id))
        ->latest('id')
        ->firstOrFail();
    DB::table('sessions')->insert([
        'id' => 'one of his',
        'user_id' => $teodor->id,
        'payload' => '',
        'last_activity' => time(),
    ]);
    $this->signedIn('maren')->postJson(
        "/api/v1/people/{$teodor->id}/reset",
        ['password' => 'warm in, cold out again'],
    )->assertNoContent();
    expect($screen->people()->whereKey($teodor->id)->exists())->toBeFalse()
        ->and(DB::table('sessions')->where('user_id', $teodor->id)->exists())
        ->toBeFalse()
        ->and($teodor->refresh()->pin)
        ->toBeNull();
});

it('changes the own password with the old one only', function (): void {
    $this->postJson('/api/v1/session', ['login' => 'ines', 'password' => 'flake-to-panel'])->assertOk();
    $this->putJson(
        '/api/v1/me/password',
        ['password' => 'wrong', 'new_password' => 'panel from flake'],
    )->assertStatus(422)->assertJsonPath('error.field', 'password');
    $this->putJson(
        '/api/v1/me/password',
        ['password' => 'flake-to-panel', 'new_password' => 'short'],
    )->assertStatus(422)->assertJsonPath('error.field', 'new_password');
    $this->putJson(
        '/api/v1/me/password',
        ['password' => 'flake-to-panel', 'new_password' => 'panel from flake'],
    )->assertNoContent();
    $this->deleteJson('/api/v1/session');
    $this->postJson('/api/v1/session', ['login' => 'ines', 'password' => 'flake-to-panel'])->assertStatus(422);
    $this->postJson('/api/v1/session', ['login' => 'ines', 'password' => 'panel from flake'])->assertOk();
});

it('forgets a screen', function (): void {
    $cookie = $this->postJson(
        '/api/v1/session',
        ['login' => 'ines', 'password' => 'flake-to-panel'],
    )->getCookie('dithermic_device', false);
    $screens = $this->signedIn('maren')->getJson('/api/v1/screens')->assertOk()->json('items');
    $this->deleteJson("/api/v1/screens/{$screens[0]['id']}")->assertNoContent();
    $this->withCredentials()->withUnencryptedCookie('dithermic_device', (string) $cookie?->getValue());
    $ines = User::query()->where('login', 'ines')->firstOrFail();
    $this->postJson(
        '/api/v1/session/pin',
        ['person_id' => $ines->id, 'pin' => '7305'],
    )->assertStatus(422)->assertJsonPath('error.field', 'person_id');
});

it('lets the one with the server\'s key reset who is locked out', function (): void {
    $this->artisan('shop:reset', ['login' => 'nobody'])->expectsOutputToContain('ines')->assertFailed();
    $before = User::query()->where('login', 'maren')->firstOrFail()->password;
    $this->artisan('shop:reset', ['login' => 'Maren'])
        ->expectsOutputToContain('Maren Okafor signs in as maren')
        ->assertSuccessful();
    $maren = User::query()->where('login', 'maren')->firstOrFail();
    expect($maren->password)->not->toBe($before)->and($maren->pin)->toBeNull();
});

it('takes no password that is among the first that are tried', function (string $password, bool $taken): void {
    $answer = $this->signedIn('maren')->postJson('/api/v1/people', [
        'name' => 'Saturday helper',
        'login' => 'helper2',
        'role' => 'operator',
        'password' => $password,
    ]);
    $taken ? $answer->assertCreated() : $answer->assertStatus(422)->assertJsonPath('error.field', 'password');
})->with([
    ['password1234', false],
    ['Passw0rd!!!!', false],
    ['2026summer2026', false],
    ['qwertyuiop12', false],
    ['poiuytrewq', false],
    ['1234567890123', false],
    ['aaaabbbbaaaa', false],
    ['saturdayhelper', false],
    ['Helper2Saturday1', false],
    ['short one', false],
    ['four sheets by noon', true],
    ['k3fz-9qmw-rt2x', true],
    ['saturday-flake-anvil', true],
]);
