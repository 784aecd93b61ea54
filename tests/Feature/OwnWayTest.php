<?php

declare(strict_types=1);

use App\Runs\Models\ProcedureEntry;
use App\Runs\Models\RunEvent;
use Illuminate\Database\QueryException;
use Illuminate\Testing\TestResponse;

const WAY = '/api/v1/procedures/compression';

/** @param  list<array<string, mixed>>  $changes */
function propose(array $changes, array $over = [], string $who = 'ines'): TestResponse
{
    $after = test()->signedIn($who)->getJson(WAY)->json('after');

    return test()->signedIn($who)->postJson(WAY.'/proposals', $over + [
        'id' => fake_uuid(), 'after' => $after, 'changes' => $changes, 'reason' => 'two chips in one sheet',
    ]);
}

function decide(int $proposal, bool $approve, string $reason = '', string $who = 'maren'): TestResponse
{
    return test()->signedIn($who)
        ->postJson(WAY."/proposals/{$proposal}/decide", ['approve' => $approve, 'reason' => $reason]);
}

function metal(string $text = 'No metal in it'): array
{
    return ['step' => 'spread', 'checks' => [$text]];
}

it('works otherwise from the next run on once a lead has approved it, and keeps what was begun', function (): void {
    $before = startRun()->json();
    propose([metal()])->assertCreated()
        ->assertJsonPath('own', 0)
        ->assertJsonPath('proposals.0.says.0', 'Spread and corners: to confirm: No metal in it');
    $id = ProcedureEntry::query()->max('id');
    // Proposed is not worked.
    expect($this->signedIn()->getJson(WAY)->json('changes'))->toBe([]);
    decide($id, true)->assertOk()->assertJsonPath('own', 1)->assertJsonPath('log.0.decided_by', 'Maren Okafor');

    expect($this->signedIn()->getJson("/api/v1/runs/{$before['summary']['id']}")->json('procedure.own'))->toBeNull();
    $this->signedIn()->postJson("/api/v1/runs/{$before['summary']['id']}/events", ['events' => [
        entry('aborted', ['reason' => 'a test']),
    ]])->assertOk();
    $run = startRun()->json();
    expect($run['procedure']['own'])->toBe(1);
    $spread = array_column($run['procedure']['steps'], null, 'id')['spread'];
    expect(array_column($spread['confirm'], 'text'))->toBe(['Four corners full', 'Even, no holes', 'No metal in it']);
    // One row of it, however many runs.
    expect(DB::table('procedures')->where(['key' => 'compression', 'own' => 1])->count())->toBe(1);
});

it('holds the door: the own check is asked by the server too', function (): void {
    propose([['step' => 'preheat', 'checks' => ['Guard is down']]])->assertCreated();
    decide((int) ProcedureEntry::query()->max('id'), true)->assertOk();
    $run = startRun()->json('summary.id');
    $refused = $this->signedIn()->postJson("/api/v1/runs/{$run}/events", ['events' => [
        entry('logged', ['entry' => 'platen', 'values' => ['top_c' => 240, 'low_c' => 240]]),
        entry('step_done', ['step' => 'preheat']),
    ]])->json('refused');
    expect($refused)->toHaveCount(1)->and($refused[0]['message'])->toContain('guard is down');
});

it('goes back to the library by a proposal without changes', function (): void {
    propose([metal()]);
    decide((int) ProcedureEntry::query()->max('id'), true);
    propose([], ['reason' => 'the sieve finds it now'])->assertCreated();
    decide(
        (int) ProcedureEntry::query()->max('id'),
        true,
    )->assertOk()->assertJsonPath('own', 0)->assertJsonPath('changes', []);
    expect(startRun()->json('procedure.own'))->toBeNull();
});

it('shows what it would be without keeping it', function (): void {
    $this->signedIn('ines')->postJson(WAY.'/proposals', ['preview' => true, 'after' => 0, 'changes' => [
        ['after' => 'transfer', 'title' => 'Wait', 'do' => 'Wait a little.'],
    ]])->assertOk()->assertJsonPath('says.0', 'Move to the cold press: a step "Wait" after it: Wait a little.')
        ->assertJsonCount(1, 'doubts');
    expect(ProcedureEntry::query()->count())->toBe(0);
    $this->signedIn('ines')->postJson(WAY.'/proposals', ['preview' => true, 'after' => 0, 'changes' => [
        ['step' => 'spread', 'gate' => []],
    ]])->assertUnprocessable()->assertJsonPath('error.field', 'changes.0.gate');
});

it('is decided by a lead, once, and never over another way that came since', function (): void {
    propose([metal()])->assertCreated();
    $first = (int) ProcedureEntry::query()->max('id');
    propose([metal('Sieved twice')])->assertCreated();
    $second = (int) ProcedureEntry::query()->max('id');
    decide($first, true, who: 'ines')->assertForbidden();
    decide($second, false)->assertUnprocessable()->assertJsonPath('error.field', 'reason');
    decide($first, true)->assertOk()->assertJsonPath('proposals.0.outdated', true);
    decide($first, true)->assertUnprocessable()->assertJsonPath('error.field', 'proposal');
    decide($second, true)->assertUnprocessable()->assertJsonPath('error.field', 'after');
    // What cannot be approved can still be turned down, and its reason stays.
    decide($second, false, 'the sieve is too coarse')->assertOk()->assertJsonPath(
        'log.0.decided_reason',
        'the sieve is too coarse',
    );
    // A proposal on what is no longer in force says so at once.
    propose([metal('Sieved')], ['after' => 0])->assertUnprocessable()->assertJsonPath('error.field', 'after');
    decide($first + 999_999, true)->assertNotFound();
    $this->signedIn('maren')->postJson("/api/v1/procedures/injection/proposals/{$second}/decide", ['approve' => true])
        ->assertUnprocessable();
});

it('keeps a proposal sent twice once, and none that changes nothing', function (): void {
    $id = fake_uuid();
    propose([metal()], ['id' => $id])->assertCreated();
    propose([metal()], ['id' => $id])->assertCreated()->assertJsonCount(1, 'proposals');
    propose([metal('other')], ['id' => $id])->assertConflict();
    decide((int) ProcedureEntry::query()->max('id'), true)->assertOk();
    propose([metal()])->assertUnprocessable()->assertJsonPath('error.field', 'changes');
    propose(
        [metal('with a run')],
        ['runs' => [fake_uuid()]],
    )->assertUnprocessable()->assertJsonPath('error.field', 'runs');
});

it('shows what was noted at a step, and which runs prove a proposal', function (): void {
    $run = startRun()->json('summary');
    $this->signedIn()->postJson("/api/v1/runs/{$run['id']}/events", ['events' => [
        entry('noted', ['text' => 'a chip of metal', 'step' => 'spread']),
    ]])->assertOk();
    $note = $this->signedIn()->getJson(WAY)->json('notes.0');
    expect($note)->toMatchArray(['text' => 'a chip of metal', 'step' => 'spread', 'by' => 'Ines Halloran'])
        ->and($note['run']['number'])->toBe($run['number']);
    propose([metal()], ['runs' => [$run['id'], $run['id']]])->assertCreated()
        ->assertJsonPath('proposals.0.runs', [['id' => $run['id'], 'number' => $run['number']]]);
    expect(RunEvent::query()->where('type', 'noted')->count())->toBeGreaterThan(0);
});

it('is worked as shipped where the own way no longer goes with it, and says why', function (): void {
    ProcedureEntry::query()->create([
        'key' => 'compression', 'kind' => 'proposed', 'after' => 0, 'way' => [['step' => 'melted_away', 'do' => 'x']],
        'reason' => 'of an older one', 'by_id' => person()->id, 'at' => now(),
    ]);
    $proposal = (int) ProcedureEntry::query()->max('id');
    decide($proposal, true)->assertUnprocessable()->assertJsonPath('error.field', 'changes.0.step');
    ProcedureEntry::query()->create([
        'key' => 'compression', 'kind' => 'approved', 'own' => 1, 'proposal_id' => $proposal, 'by_id' => person(
            'maren',
        )->id, 'at' => now(),
    ]);
    expect($this->signedIn()->getJson(WAY)->json('fault'))->toContain('is no step')
        ->and(startRun()->json('procedure.own'))->toBeNull();
});

it('keeps its log for ever, and prints a wall sheet', function (): void {
    propose([metal('Kept for ever')])->assertCreated();
    decide((int) ProcedureEntry::query()->max('id'), true);
    foreach ($this->signedIn()->getJson('/api/v1/procedures')->assertOk()->json('items') as $way) {
        $sheet = $this->signedIn()->get("/api/v1/procedures/{$way['key']}.pdf")->assertOk();
        expect(substr((string) $sheet->getContent(), 0, 5))->toBe('%PDF-');
    }
    $this->signedIn()->getJson('/api/v1/procedures/baking')->assertNotFound();
    expect(static fn () => DB::table('procedure_log')->update(['reason' => 'x']))->toThrow(QueryException::class);
});
