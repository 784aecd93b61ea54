<?php

declare(strict_types=1);

use App\People\Models\User;

it('signs in, says who it is, and signs out', function (): void {
    $this->getJson('/api/v1/session')->assertOk()->assertJsonPath('person', null);
    $this->postJson('/api/v1/session', ['login' => 'Ines', 'password' => 'flake-to-panel'])
        ->assertOk()
        ->assertJsonPath('person.name', 'Ines Halloran')
        ->assertJsonPath('person.role', 'operator');
    $this->deleteJson('/api/v1/session')->assertOk()->assertJsonPath('person', null);
});

it('refuses a wrong password without saying which half is wrong, and slows guessing down', function (): void {
    foreach (['nobody', 'ines'] as $login) {
        $this->postJson('/api/v1/session', ['login' => $login, 'password' => 'x'])
            ->assertStatus(422)
            ->assertJsonPath('error.field', 'password')
            ->assertJsonPath('error.message', 'name and password do not match');
    }
    for ($i = 0; $i < 12; $i++) {
        $last = $this->postJson('/api/v1/session', ['login' => 'ines', 'password' => "x{$i}"]);
    }
    $last->assertStatus(429);
});

it('switches person by PIN only on a screen where that person has used the password', function (): void {
    $ines = User::query()->where('login', 'ines')->firstOrFail();
    $this->postJson(
        '/api/v1/session/pin',
        ['person_id' => $ines->id, 'pin' => '7305'],
    )->assertStatus(422)->assertJsonPath('error.field', 'person_id');
    $cookie = $this->postJson(
        '/api/v1/session',
        ['login' => 'ines', 'password' => 'flake-to-panel'],
    )->assertOk()->getCookie('dithermic_device', false);
    $this->withCredentials()->withUnencryptedCookie('dithermic_device', (string) $cookie?->getValue());
    $this->deleteJson('/api/v1/session');
    $this->postJson(
        '/api/v1/session/pin',
        ['person_id' => $ines->id, 'pin' => '0000'],
    )->assertStatus(422)->assertJsonPath('error.field', 'pin');
    $this->postJson(
        '/api/v1/session/pin',
        ['person_id' => $ines->id, 'pin' => '7305'],
    )->assertOk()->assertJsonPath('person.name', 'Ines Halloran');
});

it('slows PIN guessing down', function (): void {
    for ($i = 0; $i < 7; $i++) {
        $last = $this->postJson('/api/v1/session/pin', ['person_id' => person()->id, 'pin' => (string) (1000 + $i)]);
    }
    $last->assertStatus(429);
});

it('keeps preferences for each person and refuses nonsense', function (): void {
    $this->signedIn()->putJson(
        '/api/v1/me/preferences',
        ['units' => 'us', 'theme' => 'dark', 'glove' => true],
    )->assertOk();
    expect(person()->preferences)->toEqual(['units' => 'us', 'theme' => 'dark', 'glove' => true]);
    $this->putJson(
        '/api/v1/me/preferences',
        ['units' => 'cubits', 'theme' => 'dark', 'glove' => true],
    )->assertStatus(422)->assertJsonPath('error.field', 'units');
});

it('asks for the password before it sets a PIN', function (): void {
    $this->signedIn()
        ->putJson('/api/v1/me/pin', ['password' => 'wrong', 'pin' => '1234'])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'password');
    $this->putJson(
        '/api/v1/me/pin',
        ['password' => 'flake-to-panel', 'pin' => '12'],
    )->assertStatus(422)->assertJsonPath('error.field', 'pin');
    $this->putJson('/api/v1/me/pin', ['password' => 'flake-to-panel', 'pin' => '998877'])->assertNoContent();
});

it('lets nobody in without signing in', function (string $method, string $path): void {
    $this->json($method, "/api/v1/{$path}")->assertStatus(401)->assertJsonPath('error.field', 'session');
})->with([
    ['GET', 'floor'],
    ['GET', 'runs'],
    ['POST', 'runs'],
    ['GET', 'lots'],
    ['GET', 'machines'],
    ['GET', 'products'],
    ['GET', 'polymers'],
    ['GET', 'sources'],
    ['GET', 'people'],
    ['GET', 'openapi.json'],
    ['GET', 'meshes'],
    ['POST', 'meshes'],
    ['GET', 'calc'],
    ['POST', 'calc/charge.sheet'],
    ['POST', 'plans'],
    ['POST', 'readings'],
    ['POST', 'tokens'],
    ['PUT', 'me/preferences'],
]);

it('sends every page and answer under a strict policy', function (): void {
    foreach (['/', '/run/x', '/api/v1/session'] as $path) {
        $policy = (string) $this->get($path)->headers->get('Content-Security-Policy');
        expect($policy)->toContain("script-src 'self'")->not->toContain('unsafe')->toContain("frame-ancestors 'none'");
    }
});

it('lets scripts of the development server in only where one is served from', function (): void {
    config(['app.dev_server' => 'http://127.0.0.1:5999']);
    $policy = (string) $this->get('/api/v1/session')->headers->get('Content-Security-Policy');
    expect($policy)->toContain("script-src 'self' http://127.0.0.1:5999;")->toContain('ws://127.0.0.1:5999');
    // The setting itself is deaf everywhere but in development.
    foreach (['production' => null, 'testing' => null, 'local' => 'http://127.0.0.1:5999'] as $env => $heard) {
        $php = 'putenv("APP_ENV='.$env.'"); putenv("DITHERMIC_DEV_SERVER=http://127.0.0.1:5999");'
            .'require "vendor/autoload.php"; $c = require "config/app.php"; echo json_encode($c["dev_server"]);';
        $clean = 'cd '.escapeshellarg(base_path()).' && env -u APP_ENV -u DITHERMIC_DEV_SERVER php -r '
            .escapeshellarg($php);
        expect(json_decode((string) shell_exec($clean), true))->toBe($heard);
    }
});

it('repeats the session cookie only where it says something new, so that a late answer cannot put an older session back', function () {
    $this->withoutVite()
        ->get('/')
        ->assertOk()
        ->assertCookieMissing('dithermic_session')
        ->assertCookieMissing('XSRF-TOKEN');
    $in = $this->withHeader('Origin', 'http://127.0.0.1')->postJson(
        '/api/v1/session',
        ['login' => 'ines', 'password' => 'flake-to-panel'],
    )->assertOk();
    $cookie = $in->getCookie('dithermic_session');
    expect($cookie)->not->toBeNull();
    $held = ['dithermic_session' => $cookie->getValue()];
    $this->withCredentials()
        ->withCookies($held)
        ->getJson('/api/v1/floor')
        ->assertOk()
        ->assertCookieMissing('dithermic_session')
        ->assertCookieMissing('XSRF-TOKEN');
    $this->withCredentials()
        ->withCookies($held)
        ->getJson('/api/v1/session')
        ->assertOk()
        ->assertCookie('dithermic_session');
});
