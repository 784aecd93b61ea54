<?php

declare(strict_types=1);

use App\Instruments\Models\Channel;
use App\Instruments\Models\Pairing;
use App\Shop\Models\Machine;
use Illuminate\Testing\TestResponse;
use Laravel\Sanctum\PersonalAccessToken;

const STICKER = '7K3M9PQ2';

/** @param  array<string, mixed>  $with */
function asksToPair(array $with = []): TestResponse
{
    test()->flushSession();
    app('auth')->forgetGuards();

    return test()->withoutToken()->postJson('/api/v1/pairings', $with + [
        'code' => STICKER,
        'secret' => 'of-this-very-instrument',
        'name' => 'bath thermometer',
        'channels' => ['bath_c'],
    ]);
}

it('lets an instrument in once its code was scanned, for that machine and nothing else', function (): void {
    $attic = Machine::query()->where('name', 'Attic')->firstOrFail();
    asksToPair()->assertStatus(202)->assertJson(['state' => 'waiting', 'token' => null, 'machine' => null]);
    $this->signedIn('maren')->getJson('/api/v1/pairings?code='.STICKER)->assertOk()->assertJson(['items' => [[
        'name' => 'bath thermometer', 'channels' => ['bath_c'], 'machine' => null, 'let_in' => false,
    ]]]);
    $this->postJson('/api/v1/pairings/'.STICKER, ['machine_id' => $attic->id])
        ->assertOk()->assertJson(['machine' => 'Attic', 'let_in' => false]);
    $token = asksToPair()->assertOk()->assertJson(['state' => 'paired', 'machine' => 'Attic'])->json('token');
    $read = ['readings' => [['machine' => 'Attic', 'channel' => 'bath_c', 'value' => 24.5]]];
    $this->withToken($token)->postJson('/api/v1/readings', $read)->assertCreated();
    expect(Channel::query()->where(['machine_id' => $attic->id, 'key' => 'bath_c'])->exists())->toBeTrue();
    $read['readings'][0]['machine'] = 'Anvil';
    $this->postJson('/api/v1/readings', $read)->assertStatus(422)->assertJsonPath('error.field', 'readings.0.machine');
    $this->getJson('/api/v1/floor')->assertForbidden();
});

it('gives another token where the answer with the first did not arrive, and ends the first', function (): void {
    asksToPair();
    $attic = Machine::query()->where('name', 'Attic')->firstOrFail();
    $this->signedIn('maren')->postJson('/api/v1/pairings/'.STICKER, ['machine_id' => $attic->id])->assertOk();
    $lost = asksToPair()->json('token');
    $kept = asksToPair()->json('token');
    $read = ['readings' => [['machine' => 'Attic', 'channel' => 'bath_c', 'value' => 24.5]]];
    $this->withToken($lost)->postJson('/api/v1/readings', $read)->assertUnauthorized();
    app('auth')->forgetGuards();
    $this->withToken($kept)->postJson('/api/v1/readings', $read)->assertCreated();
    expect(PersonalAccessToken::query()->where('name', 'bath thermometer at Attic')->count())->toBe(1);
});

it('has an instrument that has worked scanned again when it asks anew', function (): void {
    asksToPair();
    $attic = Machine::query()->where('name', 'Attic')->firstOrFail();
    $this->signedIn('maren')->postJson('/api/v1/pairings/'.STICKER, ['machine_id' => $attic->id]);
    $token = asksToPair()->json('token');
    $read = ['readings' => [['machine' => 'Attic', 'channel' => 'bath_c', 'value' => 24.5]]];
    $this->withToken($token)->postJson('/api/v1/readings', $read)->assertCreated();
    asksToPair()->assertStatus(202)->assertJson(['state' => 'waiting', 'token' => null]);
    // What it had goes on until a lead ends it.
    app('auth')->forgetGuards();
    $this->withToken($token)->postJson('/api/v1/readings', $read)->assertCreated();
});

it('tells one instrument from another that has read its code', function (): void {
    asksToPair();
    asksToPair(['secret' => 'of-a-stranger-in-the-yard'])->assertStatus(422)->assertJsonPath('error.field', 'code');
    $attic = Machine::query()->where('name', 'Attic')->firstOrFail();
    $this->signedIn('maren')->postJson('/api/v1/pairings/'.STICKER, ['machine_id' => $attic->id])->assertOk();
    asksToPair(['secret' => 'of-a-stranger-in-the-yard'])->assertStatus(422);
    expect(asksToPair()->assertOk()->json('token'))->toBeString();
});

it('is at one machine until its token is ended', function (): void {
    asksToPair();
    [$attic, $anvil] = [
        Machine::query()->where('name', 'Attic')->firstOrFail(),
        Machine::query()->where('name', 'Anvil')->firstOrFail(),
    ];
    $this->signedIn('maren')->postJson('/api/v1/pairings/'.STICKER, ['machine_id' => $attic->id])->assertOk();
    $this->postJson('/api/v1/pairings/'.STICKER, ['machine_id' => $attic->id])->assertOk();
    $this->postJson('/api/v1/pairings/'.STICKER, ['machine_id' => $anvil->id])
        ->assertStatus(422)->assertJsonPath('error.field', 'machine_id');
});

it('forgets who has not asked for a quarter of an hour', function (): void {
    asksToPair();
    $this->travel(Pairing::KEPT_S + 1)->seconds();
    $this->signedIn('maren')->getJson('/api/v1/pairings?code='.STICKER)->assertOk()->assertJson(['items' => []]);
    asksToPair(['code' => 'ABCDEFGH']);
    expect(Pairing::query()->pluck('code')->all())->toBe(['ABCDEFGH']);
});

it('is for leads on a screen, and for nobody with a token', function (): void {
    asksToPair();
    $attic = Machine::query()->where('name', 'Attic')->firstOrFail();
    $this->getJson('/api/v1/pairings?code='.STICKER)->assertUnauthorized();
    $this->signedIn('ines')->getJson('/api/v1/pairings?code='.STICKER)->assertForbidden();
    $this->postJson('/api/v1/pairings/'.STICKER, ['machine_id' => $attic->id])->assertForbidden();
    $this->signedIn('maren')->postJson('/api/v1/pairings/'.STICKER, ['machine_id' => 999_999])
        ->assertStatus(422)->assertJsonPath('error.field', 'machine_id');
    $this->postJson('/api/v1/pairings/ABCDEFGH', ['machine_id' => $attic->id])->assertNotFound();
    $this->getJson('/api/v1/pairings?code=ABC')->assertStatus(422)->assertJsonPath('error.field', 'code');
});

it('refuses what is no question of an instrument', function (array $with, string $field): void {
    asksToPair($with)->assertStatus(422)->assertJsonPath('error.field', $field);
    expect(Pairing::query()->count())->toBe(0);
})->with([
    'letters that are mistaken' => [['code' => '7K3M9PQO'], 'code'],
    'a short secret' => [['secret' => 'short'], 'secret'],
    'no name' => [['name' => ''], 'name'],
    'a channel that is none' => [['channels' => ['Bath °C']], 'channels.0'],
    'too many channels' => [['channels' => array_map(static fn (int $i): string => "c{$i}", range(1, 61))], 'channels'],
]);

it('does not drown in questions', function (): void {
    foreach (range(1, 60) as $i) {
        asksToPair();
    }
    asksToPair()->assertStatus(429);
});
