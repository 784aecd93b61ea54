<?php

declare(strict_types=1);

use App\Causes\Models\CaseLine;
use App\Causes\Models\CaseOf;
use App\Causes\Models\LessonSaid;
use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use App\Shop\Models\Recipe;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** A run of shots of the demo with a bad one, and the number of that. */
function badShot(): array
{
    $piece = Piece::query()->where('verdict', 'scrap')
        ->whereHas(
            'run',
            static fn ($r) => $r->whereHas('product', static fn ($p) => $p->where('process', 'injection')),
        )
        ->orderByDesc('run_id')
        ->firstOrFail();

    return [$piece->run()->with(['product', 'stations.machine'])->firstOrFail(), $piece->number];
}

function openCase(Run $run, ?int $piece, array $over = []): TestResponse
{
    return test()->signedIn()->postJson("/api/v1/runs/{$run->id}/cases", $over + [
        'id' => fake_uuid(), 'piece' => $piece, 'defects' => [['id' => 'short_shot']],
    ]);
}

/** @param  array<string, mixed>  $said */
function addTo(array $case, string $kind, array $said = []): TestResponse
{
    return test()->signedIn()->postJson("/api/v1/cases/{$case['id']}/entries", $said + [
        'id' => fake_uuid(), 'after' => $case['after'], 'kind' => $kind,
    ]);
}

/** Answers so that one cause stands out: yes to its question, no to all others. */
function until(array $case, string $cause): array
{
    for ($i = 0; $i < 40; $i++) {
        if (($case['ranking']['next_change'] ?? null) !== null && $case['ranking']['causes'][0]['id'] === $cause) {
            return $case;
        }
        $question = $case['ranking']['next_question'] ?? null;
        if ($question === null) {
            break;
        }
        $said = $question['kind'] === 'read'
            ? ['read', ['signal' => $question['id']]]
            : ['answered', [
                'question' => $question['id'],
                'answer' => str_starts_with($question['id'], "{$cause}.") ? 'yes' : 'no',
            ]];
        $case = addTo($case, ...$said)->assertCreated()->json();
    }
    expect($case['ranking']['causes'][0]['id'])->toBe($cause);

    return $case;
}

it('knows what the run, its lot and its machine tell, and asks for the rest', function (): void {
    [$run, $piece] = badShot();
    $case = openCase($run, $piece)->assertCreated()->json();
    $known = array_column($case['known'], null, 'signal');
    expect($known)->toHaveKeys(['moisture_state', 'melt_temp_vs_window', 'cool_time_ratio'])
        ->and($known['melt_temp_vs_window']['from'])->toContain('as it was logged')
        ->and($case['ranking']['next_question'])->not->toBeNull()
        ->and(array_sum(array_column($case['ranking']['causes'], 'probability')))->toEqualWithDelta(1.0, 1e-6)
        // What can hurt stands before all else.
        ->and($case['ranking']['cautions'][0])->toContain('Melt under pressure');
    $this->signedIn()->getJson("/api/v1/runs/{$run->id}/cases")->assertOk()->assertJsonCount(1, 'items');
});

it('goes by answers, and takes what nobody can tell for nothing', function (): void {
    [$run, $piece] = badShot();
    $case = openCase($run, $piece)->json();
    $before = array_column($case['ranking']['causes'], 'probability', 'id');
    $case = addTo($case, 'answered', ['question' => 'melt_too_cold.0', 'answer' => 'yes'])->assertCreated()->json();
    $after = array_column($case['ranking']['causes'], 'probability', 'id');
    expect($after['melt_too_cold'])->toBeGreaterThan($before['melt_too_cold'])
        ->and($case['answers'][0]['asked'])->toContain('purged strand');
    $unread = addTo($case, 'read', ['signal' => 'pressure_vs_ref'])->assertCreated()->json();
    expect(array_column($unread['ranking']['causes'], 'probability', 'id'))->toEqual($after)
        ->and(array_column($unread['known'], 'value', 'signal')['pressure_vs_ref'])->toBe('not to be told')
        ->and($unread['ranking']['next_question']['id'])->not->toBe('pressure_vs_ref');
    $read = addTo($unread, 'read', ['signal' => 'pressure_vs_ref', 'number' => 0.7])->assertCreated()->json();
    expect(array_column($read['ranking']['causes'], 'probability', 'id')['pressure_too_low'])
        ->toBeGreaterThan($after['pressure_too_low']);
});

it('refuses what belongs to no such piece, and keeps nothing of it', function (array $over, string $field): void {
    [$run, $piece] = badShot();
    openCase($run, $piece, $over)->assertUnprocessable()->assertJsonPath('error.field', $field);
    expect(CaseOf::query()->count())->toBe(0)->and(CaseLine::query()->count())->toBe(0);
})->with([
    'no defect' => [['defects' => []], 'defects'],
    'of another process' => [['defects' => [['id' => 'cmp_wedge']]], 'defects.0.id'],
    'no such piece' => [['piece' => 4711], 'piece'],
    'six' => [['defects' => array_fill(0, 6, ['id' => 'flash'])], 'defects'],
]);

it('refuses entries that have no place', function (string $kind, array $said, string $field): void {
    [$run, $piece] = badShot();
    $case = openCase($run, $piece)->json();
    addTo($case, $kind, $said)->assertUnprocessable()->assertJsonPath('error.field', $field);
    expect(CaseLine::query()->count())->toBe(1);
})->with([
    'a strange question' => ['answered', ['question' => 'moonlight.0', 'answer' => 'yes'], 'answers.moonlight.0'],
    'a strange answer' => ['answered', ['question' => 'melt_too_cold.0', 'answer' => 'perhaps'], 'answer'],
    'a strange signal' => ['read', ['signal' => 'colour_of_sky', 'word' => 'blue'], 'signals.colour_of_sky'],
    'a word for a number' => ['read', ['signal' => 'pressure_vs_ref', 'word' => 'high'], 'signals.pressure_vs_ref'],
    'judged before a change' => ['judged', ['worked' => true], 'worked'],
    'an old look' => ['closed', ['after' => 0], 'after'],
    'kept, though nothing is proposed' => ['changed', ['parameter' => 'melt_set_c', 'keep' => true], 'keep'],
]);

it('takes a change into the next set-up of anybody, and the shop learns from how it went', function (): void {
    [$run, $piece] = badShot();
    $product = $run->product;
    $machine = $run->mainMachine();
    $version = Recipe::newest($product, $machine)->version ?? 0;
    $planned = fn (): array => $this->signedIn()->postJson('/api/v1/plans', [
        'product_id' => $product->id, 'machines' => ['barrel' => $machine->id],
    ])->assertOk()->json();
    $before = $planned()['plan']['targets']['soak_min'];
    $case = until(openCase($run, $piece)->json(), 'melt_too_cold');
    $change = $case['ranking']['next_change'];
    expect($change['parameter'])->toBe('soak_time_min')
        ->and($case['take']['setting'])->toBe('soak_factor')
        ->and($change['to'])->toBeGreaterThan($change['from']);
    $case = addTo($case, 'changed', ['parameter' => 'soak_time_min', 'keep' => true])->assertCreated()->json();
    $recipe = Recipe::newest($product, $machine);
    expect($recipe->version)->toBe($version + 1)
        ->and($recipe->note)->toContain("run {$run->number}")
        ->and($case['changes'][0]['cause'])->toBe('Melt too cold')
        ->and($case['says_worked'])->toBeNull();

    // The plan has the change now, and says where it comes from.
    $plan = $planned();
    expect($plan['plan']['targets']['soak_min'] / $before)->toEqualWithDelta($change['to'] / $change['from'], 0.01)
        ->and($plan['origins']['soak_factor'])->toContain("version {$recipe->version}");

    $case = addTo($case, 'judged', ['worked' => true])->assertCreated()->json();
    expect($case['shop'][0])->toMatchArray(['cause' => 'Melt too cold', 'confirmed' => 1, 'failed' => 0])
        ->and($case['shop'][0]['prior'])->toBeGreaterThan($case['shop'][0]['shipped']);
    // Another case of it starts from what was seen; taken back, from what ships.
    [, $other] = badShot();
    $first = static fn (array $c): float => array_column($c['ranking']['causes'], 'probability', 'id')['melt_too_cold'];
    $learnt = $first(openCase($run, $other)->json());
    $case = addTo($case, 'withdrawn')->assertCreated()->json();
    expect($case['shop'])->toBe([])->and($first(openCase($run, $other)->json()))->toBeLessThan($learnt);
});

it('says by the next three pieces whether it worked', function (array $verdicts, ?bool $says): void {
    [$run, $piece] = badShot();
    $case = openCase($run, $piece)->json();
    $case = addTo($case, 'changed', ['parameter' => 'vent_clean'])->assertCreated()->json();
    expect($case['since'])->toBe(0);
    foreach ($verdicts as $i => $verdict) {
        Piece::query()->create([
            'run_id' => $run->id, 'number' => 900 + $i, 'outcome' => 'done', 'verdict' => $verdict,
            'began_at' => now()->addMinutes($i), 'ended_at' => now()->addMinutes($i + 1),
        ]);
    }
    $case = $this->signedIn()->getJson("/api/v1/cases/{$case['id']}")->json();
    expect($case['since'])->toBe(count($verdicts))->and($case['says_worked'])->toBe($says);
})->with([
    [['good', 'good'], null],
    [['good', 'good', 'good'], true],
    [['good', 'scrap'], false],
]);

it('marks two changes at once as unknown, whoever made them', function (): void {
    [$run, $piece] = badShot();
    $case = openCase($run, $piece)->json();
    $case = addTo($case, 'changed', ['parameter' => 'vent_clean'])->json();
    $case = addTo($case, 'changed', ['parameter' => 'charge_g', 'from' => 38, 'to' => 39])->assertCreated()->json();
    expect(array_column($case['changes'], 'unclear'))->toBe([true, true]);
    $case = addTo($case, 'judged', ['worked' => true])->json();
    expect($case['shop'])->toBe([]);
});

it('is opened and added to once, however often it is sent, and by one at a time', function (): void {
    [$run, $piece] = badShot();
    $id = fake_uuid();
    openCase($run, $piece, ['id' => $id])->assertCreated();
    $case = openCase($run, $piece, ['id' => $id])->assertCreated()->json();
    openCase($run, $piece, ['id' => $id, 'defects' => [['id' => 'flash']]])->assertConflict();
    $entry = fake_uuid();
    $said = ['id' => $entry, 'question' => 'melt_too_cold.0', 'answer' => 'no'];
    addTo($case, 'answered', $said)->assertCreated();
    addTo($case, 'answered', $said)->assertCreated()->assertJsonCount(1, 'answers');
    addTo($case, 'answered', ['question' => 'melt_too_cold.0', 'answer' => 'yes'])
        ->assertUnprocessable()->assertJsonPath('error.field', 'after');
    expect(CaseOf::query()->count())->toBe(1)->and(CaseLine::query()->count())->toBe(2)
        ->and(static fn () => DB::table('case_log')->delete())->toThrow(QueryException::class);
});

it('lists the defects of a process, and none of another', function (): void {
    $names = static fn (string $p): array => array_column(
        test()->signedIn()->getJson("/api/v1/defects/{$p}")->assertOk()->json('items'),
        'id',
    );
    expect($names('compression'))->toContain('cmp_wedge')->not->toContain('short_shot')
        ->and($names('extrusion'))->toContain('ext_incomplete_fill')
        ->and($names('injection'))->toContain('short_shot');
    $this->signedIn()->getJson('/api/v1/defects/baking')->assertNotFound();
});

/** A pressed sheet of the demo that was heated for so many times as long as planned, and was good. */
function heatedRun(float $times): Run
{
    $run = Run::query()->where('verdict', 'good')->where('status', 'finished')
        ->whereHas('product', static fn ($p) => $p->where('process', 'compression'))
        ->whereDoesntHave('pieces')
        ->orderByDesc('number')
        ->firstOrFail();
    $plan = $run->plan;
    $timer = $run->load(['events.by', 'procedureVersion'])->state()->timers['heat'];
    $plan['heat_min'] = round(($timer['answered_at'] - $timer['started_at']) / 60 / $times, 3);
    $run->update(['plan' => $plan]);

    return $run->refresh()->load(['product', 'stations.machine']);
}

it('says what a run taught, and yes is the next set-up of anybody', function (): void {
    $run = heatedRun(1.3);
    $lesson = $this->signedIn()->getJson("/api/v1/runs/{$run->id}/lessons")->assertOk()->json('items.0');
    expect($lesson['setting'])->toBe('heat_factor')
        ->and($lesson['says'])->toContain('longer than planned')
        ->and($lesson['taken'])->toBeNull();
    $id = fake_uuid();
    $say = fn (bool $taken, ?string $as = null) => $this->signedIn()
        ->postJson("/api/v1/runs/{$run->id}/lessons", ['id' => $as ?? fake_uuid(), 'taken' => $taken]);
    $say(true, $id)->assertCreated()->assertJsonPath('items.0.taken', true)->assertJsonPath(
        'items.0.by',
        'Ines Halloran',
    );
    $say(true, $id)->assertCreated();
    $say(false)->assertUnprocessable()->assertJsonPath('error.field', 'taken');
    $recipe = Recipe::newest($run->product, $run->mainMachine());
    expect($recipe->settings['heat_factor'])->toBe($lesson['becomes'])
        ->and($recipe->note)->toStartWith("Run {$run->number}. Heating")
        ->and(LessonSaid::query()->count())->toBe(1);
});

it('remembers a no, and changes nothing', function (): void {
    $run = heatedRun(0.7);
    $before = Recipe::query()->count();
    $this->signedIn()->postJson("/api/v1/runs/{$run->id}/lessons", ['id' => fake_uuid(), 'taken' => false])
        ->assertCreated()->assertJsonPath('items.0.taken', false);
    expect(Recipe::query()->count())->toBe($before);
});

it('teaches nothing where it went as planned, and before it is over', function (): void {
    $run = heatedRun(1.0);
    $lessons = $this->signedIn()->getJson("/api/v1/runs/{$run->id}/lessons")->json('items');
    foreach ($lessons as $lesson) {
        expect($lesson['setting'])->not->toBe('heat_factor');
    }
    $open = startRun()->json('summary.id');
    $this->signedIn()->getJson("/api/v1/runs/{$open}/lessons")->assertOk()->assertJsonCount(0, 'items');
    $this->signedIn()->postJson("/api/v1/runs/{$open}/lessons", ['id' => fake_uuid(), 'taken' => true])
        ->assertUnprocessable()->assertJsonPath('error.field', 'run');
});
