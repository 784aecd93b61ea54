<?php

declare(strict_types=1);

use App\Runs\Models\Piece;
use App\Runs\Models\RunEvent;
use App\Shop\Models\Machine;
use Dithermic\Core\Run\EventSource;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** A run of shots on Heron, by Ines, whose set-up is over. */
function readyToShoot(): string
{
    $case = test();
    assert($case instanceof TestCase);
    $id = $case->signedIn()->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    walkRun($id);

    return $id;
}

function press(string $signal = 'press', ?string $id = null, string $machine = 'Heron'): TestResponse
{
    $case = test();
    assert($case instanceof TestCase);

    return $case->postJson('/api/v1/signals', ['id' => $id ?? fake_uuid(), 'machine' => $machine, 'signal' => $signal]);
}

it('begins, and judges a piece, by foot, for whoever is at the run', function (): void {
    $run = readyToShoot();
    press()->assertCreated()->assertJsonCount(2, 'stored')->assertJsonPath('run_id', $run);
    // Too soon: it passes no gate, and says what is missing.
    $this->travel(3)->seconds();
    press()->assertStatus(422)->assertJsonPath('error.field', 'signal');
    $this->travel(10)->minutes();
    press('long')->assertCreated()->assertJsonCount(3, 'stored');
    expect(Piece::query()->where('run_id', $run)->value('verdict'))->toBe('scrap');
    $events = RunEvent::query()->where('run_id', $run)->where('source', EventSource::Signal)->with('by')->get();
    expect($events)
        ->toHaveCount(5)
        ->and($events->map(fn (RunEvent $e): string => $e->by->login)->unique()->all())
        ->toBe(['ines']);
    expect(collect($this->getJson("/api/v1/runs/{$run}")->json('events'))->last()['source'])->toBe('signal');
});

it('takes one press once, however often it is sent, and one foot as one press', function (): void {
    readyToShoot();
    $this->freezeTime();
    $id = fake_uuid();
    $stored = press('press', $id)->assertCreated()->json('stored');
    expect($stored)->toHaveCount(2)->and(press('press', $id)->assertCreated()->json('stored'))->toBe($stored);
    // The contact bounced; that press stays the same foot though it is sent again when it could say something.
    $bounced = fake_uuid();
    press('press', $bounced)->assertCreated()->assertJsonPath('stored', []);
    $this->travel(701)->milliseconds();
    $early = fake_uuid();
    press('press', $early)->assertStatus(422);
    $this->travel(10)->minutes();
    press('press', $bounced)->assertCreated()->assertJsonPath('stored', []);
    // An id stands for one thing.
    press('long', $bounced)->assertStatus(409);
    // What was refused was not done, and its id stands for nothing yet.
    press('press', $early)->assertCreated()->assertJsonCount(3, 'stored');
});

it('answers a switch for its own machine only, with a token that can do nothing else', function (): void {
    readyToShoot();
    $heron = Machine::query()->where('name', 'Heron')->value('id');
    $this->signedIn('maren')->postJson('/api/v1/tokens', ['name' => 'switch', 'scopes' => ['signals']])
        ->assertStatus(422)->assertJsonPath('error.field', 'machine_id');
    $token = $this->postJson('/api/v1/tokens', ['name' => 'switch', 'scopes' => ['signals'], 'machine_id' => $heron])
        ->assertCreated()->json('token');
    $this->app->forgetInstance('auth');
    $this->flushSession();
    $this->app['auth']->forgetGuards();
    $with = ['Authorization' => "Bearer {$token}"];
    $send = fn (string $machine): TestResponse => $this->withHeaders($with)->postJson(
        '/api/v1/signals',
        ['id' => fake_uuid(), 'machine' => $machine, 'signal' => 'press'],
    );
    $send('Wren')->assertStatus(422)->assertJsonPath('error.field', 'machine');
    $send('Heron')->assertCreated();
    // A switch has no name: it is whoever is at the run.
    expect(RunEvent::query()->where('source', EventSource::Signal)->with('by')->firstOrFail()->by->login)->toBe('ines');
    $this->withHeaders($with)->getJson('/api/v1/lots')->assertStatus(403);
    $this->withHeaders($with)->postJson('/api/v1/readings', ['readings' => []])->assertStatus(403);
});

it('lets nobody who is signed in press in another\'s name', function (): void {
    $run = readyToShoot();
    $this->signedIn('jun');
    press()->assertCreated();
    $signals = RunEvent::query()->where('run_id', $run)->where('source', EventSource::Signal)->with('by')->get();
    expect($signals->map(static fn (RunEvent $e): string => $e->by->login)->unique()->all())->toBe(['jun']);
});

it('begins nothing by foot where no run is, and knows no other machine and no other signal', function (): void {
    $this->signedIn();
    press('press', null, 'Wren')->assertStatus(422)->assertJsonPath('error.field', 'machine');
    press('press', null, 'Nobody')->assertStatus(422)->assertJsonPath('error.field', 'machine');
    press('dance')->assertStatus(422)->assertJsonPath('error.field', 'signal');
    $this->postJson('/api/v1/signals', ['id' => 'x', 'machine' => 'Heron', 'signal' => 'press'])->assertStatus(422);
});

it('keeps where an entry comes from, and lets no hand pass for an instrument', function (): void {
    $run = readyToShoot();
    $entry = entry('noted', ['text' => 'seen']);
    $this->postJson("/api/v1/runs/{$run}/events", ['events' => [['source' => 'trace'] + $entry]])->assertStatus(422);
    $this->postJson("/api/v1/runs/{$run}/events", ['events' => [['source' => 'typed'] + $entry]])->assertOk();
    expect(RunEvent::query()->where('key', $entry['key'])->value('source'))->toBe(EventSource::Typed);
});
