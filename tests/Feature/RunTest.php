<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Models\Source;
use App\Material\Models\SourceEvent;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Shop\Models\Machine;
use Illuminate\Database\QueryException;
use Illuminate\Testing\TestResponse;

function append(mixed $test, string $run, array $events): TestResponse
{
    return $test->postJson("/api/v1/runs/{$run}/events", ['events' => $events]);
}

/** Events that lead a started run up to heating. */
function upToHeat(float $mass = 2170): array
{
    return [
        entry('logged', ['entry' => 'platen', 'values' => ['top_c' => 186, 'low_c' => 184]]),
        entry('step_done', ['step' => 'preheat']),
        entry('confirmed', ['step' => 'plates', 'item' => 'wiped']),
        entry('confirmed', ['step' => 'plates', 'item' => 'smooth']),
        entry('confirmed', ['step' => 'plates', 'item' => 'release']),
        entry('step_done', ['step' => 'plates']),
        entry('logged', ['entry' => 'weigh', 'values' => ['mass_g' => $mass]]), entry('step_done', ['step' => 'weigh']),
        entry('confirmed', ['step' => 'spread', 'item' => 'corners']),
        entry('confirmed', ['step' => 'spread', 'item' => 'even']),
        entry('step_done', ['step' => 'spread']),
        entry('step_done', ['step' => 'slide_in']),
    ];
}

function toTheEnd(string $verdict = 'good'): array
{
    $points = array_map(
        static fn (int $i): array => [
            'x_mm' => 25 + $i % 3 * 275,
            'y_mm' => 25 + intdiv($i, 3) * 200,
            't_mm' => 8 + 0.1 * ($i % 3),
        ],
        range(0, 8),
    );

    return [
        entry('logged', ['entry' => 'pump', 'values' => ['gauge_bar' => 24, 'strokes' => 6]]),
        entry('step_done', ['step' => 'heat', 'reason' => 'a test cannot wait']),
        entry('step_done', ['step' => 'transfer']),
        entry('logged', ['entry' => 'cold_pressure', 'values' => ['gauge_bar' => 45]]),
        entry('step_done', ['step' => 'pressure_on']),
        entry('step_done', ['step' => 'cool', 'reason' => 'a test cannot wait']),
        entry('confirmed', ['step' => 'open', 'item' => 'wiped_off']),
        entry('confirmed', ['step' => 'open', 'item' => 'flat']),
        entry('confirmed', ['step' => 'open', 'item' => 'marked']),
        entry('step_done', ['step' => 'open']),
        entry('logged', ['entry' => 'inspection', 'values' => ['mass_g' => 2085, 'points' => $points]]),
        entry('step_done', ['step' => 'check']),
        entry(
            'logged',
            [
                'entry' => 'disposition',
                'values' => ['verdict' => $verdict] + ($verdict === 'scrap' ? ['reason' => '=cmd|bubbles'] : []),
            ],
        ),
        entry('step_done', ['step' => 'decide']),
    ];
}

it('answers a job whole: three schools, rules with their core, heat, plan and safety', function (): void {
    $answer = $this->signedIn()->postJson('/api/v1/plans', panel())->assertOk()->json();
    expect(array_column($answer['plan']['weighing']['schools'], 'id'))->toBe(['true_density', 'as_water', 'shop_rule'])
        ->and(array_column($answer['plan']['timing']['rules'], 'id'))
        ->toBe(['shop_rule', 'physics'])
        ->and($answer['plan']['cycle']['platen_min_c'])
        ->toBeLessThan(180)
        ->and($answer['plan']['cycle']['curve'][0]['profile_c'])->not
        ->toBeEmpty()
        ->and($answer['safety']['blocks'])
        ->toBe([])
        ->and($answer['plan']['targets']['heat_min'])
        ->toEqualWithDelta($answer['plan']['cycle']['heat_min'] + 3, 0.01)
        ->and($answer['origins']['platen_c'])
        ->toContain('recipe');
    $thick = $this->postJson('/api/v1/plans', panel(['settings' => ['thickness_mm' => 12]]))->json();
    expect($thick['plan']['cycle']['heat_min'])->toBeGreaterThan(1.5 * $answer['plan']['cycle']['heat_min'])
        ->and($thick['origins']['thickness_mm'])
        ->toBe('set here');
    $slow = $this->postJson(
        '/api/v1/plans',
        panel(['choices' => ['heat_rule' => 'shop_rule', 'pump_school' => 'watch_gauge']]),
    )->json();
    // The demo's rule hangs on the wall of Anvil: what physics asks of its usual sheet, for each millimetre.
    $perMm = Machine::query()->where('name', 'Anvil')->firstOrFail()->fact('heat_min_per_mm');
    expect($slow['plan']['targets']['heat_min'])->toEqualWithDelta(8 * $perMm, 1e-6)
        ->and(8 * $perMm)
        ->toBeGreaterThanOrEqual($answer['plan']['targets']['heat_min'] - 0.01)
        ->toBeLessThan(1.1 * $answer['plan']['targets']['heat_min'])
        ->and($slow['plan']['targets']['pump_every_min'])
        ->toBeNull();
});

it('refuses a job by the name of the field', function (array $over, string $field): void {
    $this->signedIn()
        ->postJson('/api/v1/plans', panel($over))
        ->assertStatus(422)
        ->assertJsonPath('error.field', $field);
})->with([
    [['settings' => ['thickness_mm' => -1]], 'settings.thickness_mm'],
    [['settings' => ['platen_c' => 'hot']], 'settings.platen_c'],
    [['choices' => ['heat_rule' => 'guess']], 'choices.heat_rule'],
    [['polymer' => 'NOSUCH'], 'polymer'],
    [['product_id' => 999999], 'product_id'],
    [['settings' => ['platen_c' => 160]], 'settings.platen_c'],
]);

it('walks one panel from start to record, and the lot goes down by what was weighed', function (): void {
    $before = (float) lot('L-0101')->held_g;
    $body = panel();
    $run = $this->signedIn()->postJson('/api/v1/runs', $body)->assertCreated()->json('summary');
    append($this, $run['id'], upToHeat())->assertOk()
        ->assertJsonCount(12, 'stored')
        ->assertJsonCount(0, 'refused')
        ->assertJsonPath('run.summary.step', 'heat');
    $end = append($this, $run['id'], toTheEnd('scrap'))->assertOk()->assertJsonCount(0, 'refused')->json('run');
    expect($end['summary']['status'])->toBe('finished')
        ->and($end['summary']['verdict'])
        ->toBe('scrap')
        ->and($end['inspection']['grid']['slope_mm_per_m']['x'])
        ->toBeGreaterThan(0.1)
        ->and((float) lot('L-0101')->held_g)
        ->toEqualWithDelta($before - 2170, 1e-6)
        ->and($end['events'])
        ->toHaveCount(27)
        ->and(array_column($end['events'], 'seq'))
        ->toBe(range(1, 27));

    $json = $this->getJson("/api/v1/runs/{$run['id']}.json")->assertOk()->json();
    expect($json['format'])->toBe('dithermic.run/1')
        ->and($json['events'])
        ->toHaveCount(27)
        ->and($json['lots'][0]['charged_g'])
        ->toEqual(2170)
        ->and($json['choices']['heat_rule'])
        ->toBe('physics');
    $fits = (new Opis\JsonSchema\Validator)->validate(
        json_decode((string) json_encode($json)),
        (string) file_get_contents(base_path('docs/formats/run.schema.json')),
    );
    expect($fits->isValid())->toBeTrue((string) json_encode($fits->error()?->args()));
    $csv = $this->get("/api/v1/runs/{$run['id']}.csv")->assertOk()->getContent();
    expect(substr_count((string) $csv, "\n"))->toBe(28);
    $pdf = (string) $this->get("/api/v1/runs/{$run['id']}.pdf")
        ->assertOk()
        ->assertHeader('Content-Type', 'application/pdf')
        ->getContent();
    expect(substr($pdf, 0, 5))->toBe('%PDF-')->and(strlen($pdf))->toBeGreaterThan(10000);
    $this->getJson('/api/v1/runs?verdict=scrap')->assertOk()->assertJsonPath('items.0.id', $run['id']);
});

it('starts once however often the same start is sent', function (): void {
    $body = panel();
    $first = $this->signedIn()->postJson('/api/v1/runs', $body)->assertCreated()->json('summary.number');
    expect(
        $this->postJson('/api/v1/runs', $body)->assertCreated()->json('summary.number'),
    )->toBe($first)->and(RunEvent::query()->where('run_id', $body['id'])->count())->toBe(1);
});

it('stores each entry once, in order, though it comes twice and in pieces', function (): void {
    $body = panel();
    $this->signedIn()->postJson('/api/v1/runs', $body)->assertCreated();
    $events = upToHeat();
    append($this, $body['id'], array_slice($events, 0, 5))->assertJsonCount(5, 'stored');
    append($this, $body['id'], $events)->assertJsonCount(12, 'stored')->assertJsonCount(0, 'refused');
    append($this, $body['id'], $events)->assertJsonCount(12, 'stored');
    expect(RunEvent::query()->where('run_id', $body['id'])->count())->toBe(13)
        ->and(LotMovement::query()->where('run_id', $body['id'])->count())
        ->toBe(1);
});

it('refuses at the API what the core refuses, and stores the rest', function (): void {
    $body = panel();
    $this->signedIn()->postJson('/api/v1/runs', $body)->assertCreated();
    $answer = append(
        $this,
        $body['id'],
        [
            entry('step_done', ['step' => 'preheat']),
            entry('noted', ['text' => 'slow today']),
            entry('logged', ['entry' => 'pump', 'values' => ['gauge_bar' => -4]]),
        ],
    )->assertOk();
    $answer->assertJsonCount(1, 'stored')
        ->assertJsonCount(2, 'refused')
        ->assertJsonPath('refused.0.field', 'data.reason')
        ->assertJsonPath('refused.1.field', 'data.values.gauge_bar');
    append(
        $this,
        $body['id'],
        [entry('logged', ['entry' => 'cue', 'values' => ['what' => 'ripples']], at: shopNow() + 900)],
    )->assertJsonPath('refused.0.field', 'at');
    append($this, $body['id'], [['key' => 'short', 'type' => 'noted', 'at' => 1, 'data' => []]])->assertStatus(422);
    append($this, $body['id'], [entry('started', [])])->assertStatus(422);
});

it('holds the safety gate in the core and the API', function (array $over, string $block, string $who): void {
    foreach ($over['make'] ?? [] as $make) {
        $make();
    }
    $lot = isset($over['lot']) ? ['lot_id' => lot($over['lot'])->id] : [];
    $answer = $this->signedIn('ines')
        ->postJson('/api/v1/runs', panel($lot + ($over['body'] ?? [])))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'safety')
        ->json('error.blocks');
    $found = array_values(array_filter($answer, static fn (array $b): bool => $b['id'] === $block));
    expect($found)->not->toBe([])->and($found[0]['who_may_override'])->toBe($who);
    // Nobody's block stands against a lead's word as well.
    $lead = $this->signedIn('maren')->postJson(
        '/api/v1/runs',
        panel(
            $lot + ($over['body'] ?? []) + [
                'overrides' => [['id' => $block, 'reason' => 'I have looked at it myself']],
            ],
        ),
    );
    $who === 'nobody' ? $lead->assertStatus(422) : expect($lead->json('error.field'))->not->toBe('safety');
    expect(
        Run::query()->whereRelation(
            'materials',
            'lot_id',
            $lot['lot_id'] ?? 0,
        )->where('started_at', '>', now()->subMinute())->count(),
    )->toBe($who === 'lead' && $lead->status() === 201 ? 1 : 0);
})->with([
    'unknown polymer' => [['lot' => 'L-0107'], 'unidentified_polymer', 'nobody'],
    'PVC' => [['lot' => 'L-0108'], 'pvc', 'nobody'],
    'platen above the ceiling' => [
        ['lot' => 'L-0101', 'body' => ['settings' => ['platen_c' => 280]]],
        'above_ceiling',
        'lead',
    ],
    'no air' => [['lot' => 'L-0101', 'body' => ['answers' => ['air_moving' => false]]], 'no_air', 'nobody'],
    'source on trial' => [['lot' => 'L-0105', 'body' => ['polymer' => 'HIPS']], 'source_not_accepted', 'lead'],
]);

it('lets only a lead override, in writing, and keeps it with the run', function (): void {
    $hot = panel([
        'settings' => ['platen_c' => 280],
        'overrides' => [['id' => 'above_ceiling', 'reason' => 'trial of a heat-stabilised grade']],
    ]);
    $this->signedIn('ines')
        ->postJson('/api/v1/runs', $hot)
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'overrides');
    $this->signedIn('maren')->postJson(
        '/api/v1/runs',
        ['overrides' => [['id' => 'above_ceiling', 'reason' => '']]] + $hot,
    )->assertStatus(422);
    $this->postJson('/api/v1/runs', $hot)->assertStatus(422)->assertJsonPath('error.field', 'confirmed_by');
    $this->postJson('/api/v1/runs', ['confirmed_by' => person('maren')->id] + $hot)
        ->assertCreated()
        ->assertJsonPath('safety.overrides.0.by', 'Maren Okafor');
});

it('refuses a lot of another polymer, an empty lot and a press that is taken', function (): void {
    $this->signedIn();
    $this->postJson('/api/v1/runs', panel(['lot_id' => lot('L-0106')->id]))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'lot_id');
    $small = Lot::query()->create([
        'code' => 'L-9',
        'source_id' => Source::query()->where('state', 'accepted')->value('id'),
        'polymer' => 'HDPE',
        'form' => 'flake',
        'colour' => 'x',
        'swatch' => '#000000',
    ]);
    $this->postJson('/api/v1/runs', panel(['lot_id' => $small->id]))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'safety')
        ->assertJsonPath('error.blocks.0.id', 'stock_short');
    $this->postJson('/api/v1/runs', panel())->assertCreated();
    $this->postJson('/api/v1/runs', panel())->assertStatus(422)->assertJsonPath('error.field', 'machines.hot');
});

it('puts one sheet in a cold press, unless somebody says why', function (): void {
    $body = panel(['machines' => ['cold' => Machine::query()->where('name', 'Little Pond')->value('id')]]);
    $this->signedIn()->postJson('/api/v1/runs', $body)->assertCreated();
    append($this, $body['id'], [...upToHeat(), entry('step_done', ['step' => 'heat', 'reason' => 'a test'])]);
    append(
        $this,
        $body['id'],
        [entry('step_done', ['step' => 'transfer'])],
    )->assertJsonPath('refused.0.field', 'data.reason');
    append(
        $this,
        $body['id'],
        [entry('step_done', ['step' => 'transfer', 'reason' => 'both are thin'])],
    )->assertJsonCount(1, 'stored');
});

it('corrects the weight by a further ledger line and never lets a lot go below nothing', function (): void {
    $body = panel();
    $this->signedIn()->postJson('/api/v1/runs', $body)->assertCreated();
    $before = (float) lot('L-0101')->held_g;
    $events = upToHeat();
    append($this, $body['id'], $events);
    append(
        $this,
        $body['id'],
        [entry(
            'corrected',
            ['event' => $events[6]['key'], 'values' => ['mass_g' => 2160], 'reason' => 'the bag was on the scale'],
        )],
    )->assertJsonCount(1, 'stored');
    expect((float) lot('L-0101')->held_g)->toEqualWithDelta($before - 2160, 1e-6)
        ->and(LotMovement::query()->where('run_id', $body['id'])->orderBy('id')->pluck('kind')->map->value->all())
        ->toBe(['drawn', 'corrected']);
    append(
        $this,
        $body['id'],
        [entry('corrected', ['event' => $events[6]['key'], 'values' => ['mass_g' => 9e6], 'reason' => 'typo'])],
    )->assertJsonPath('refused.0.field', 'data.values.mass_g');
});

it('lets the database itself refuse to change a log', function (string $sql): void {
    expect(
        static fn () => Illuminate\Support\Facades\DB::statement($sql),
    )->toThrow(QueryException::class, 'append-only');
})->with([
    'update run_events set data = \'{}\'',
    'delete from run_events',
    'update lot_movements set mass_g = 0',
    'delete from lot_movements',
    'delete from readings',
    'update recipes set version = 9',
    'truncate run_events cascade',
]);

it('keeps the author of an entry made on a shared screen, but not a lead\'s powers', function (): void {
    $body = panel();
    $signed = $this->postJson('/api/v1/session', ['login' => 'maren', 'password' => 'two-heats-oak']);
    $cookie = $signed->getCookie('dithermic_device', false);
    $maren = $signed->json('sitting');
    $sat = shopNow();
    $this->getJson('/api/v1/session')->assertJsonPath('sitting', null);
    $this->withCredentials()->withUnencryptedCookie('dithermic_device', (string) $cookie?->getValue());
    $this->postJson('/api/v1/session', ['login' => 'ines', 'password' => 'flake-to-panel'])->assertOk();
    $this->postJson('/api/v1/runs', $body)->assertCreated();
    $forged = append($this, $body['id'], [
        entry('noted', ['text' => 'a name alone']) + ['by_id' => person('maren')->id],
        entry('noted', ['text' => 'not known here']) + ['by_id' => person('jun')->id],
        entry('noted', ['text' => 'a made-up proof']) + ['sitting' => fake_uuid().'.'.str_repeat('a', 48)],
        entry('noted', ['text' => 'mine']) + ['by_id' => person('ines')->id],
        entry(
            'noted',
            ['text' => 'while Maren sat here'],
            at: $sat,
        ) + ['by_id' => person('maren')->id, 'sitting' => $maren],
        entry(
            'noted',
            ['text' => 'her clock is a little ahead'],
            at: $sat + 9,
        ) + ['by_id' => person('maren')->id, 'sitting' => $maren],
        entry(
            'noted',
            ['text' => 'long after she left'],
            at: shopNow() + 40,
        ) + ['by_id' => person('maren')->id, 'sitting' => $maren],
    ])->json();
    expect(array_column($forged['refused'], 'field'))->toBe(['by_id', 'by_id', 'by_id', 'by_id'])
        ->and($forged['stored'])
        ->toHaveCount(3)
        ->and(
            RunEvent::query()->where('run_id', $body['id'])
                ->orderBy('seq')
                ->with('by')
                ->get()
                ->pluck('by.login')
                ->all(),
        )->toBe(['ines', 'ines', 'maren', 'maren']);
});

it('pages the list by key without a gap or a double', function (): void {
    $this->signedIn();
    $seen = [];
    $after = null;
    // The page size is 50: the demo's runs and copies of one of them make three pages.
    $one = Run::query()->whereNotNull('verdict')->firstOrFail();
    for ($i = 0; $i < 70; $i++) {
        $copy = $one->replicate(['number', 'id']);
        $copy->id = fake_uuid();
        $copy->started_at = $one->started_at->addSeconds(intdiv($i, 3));
        $copy->save();
        $copy->stations()->create(['role' => 'hot', 'machine_id' => machineNamed('Anvil')]);
        $copy->materials()->create(['lot_id' => lot('L-0101')->id]);
    }
    do {
        $page = $this->getJson('/api/v1/runs'.($after === null ? '' : "?after={$after}"))->assertOk()->json();
        $seen = [...$seen, ...array_column($page['items'], 'id')];
        $after = $page['next'];
    } while ($after !== null);
    expect($seen)->toHaveCount(Run::query()->count())->and(array_unique($seen))->toHaveCount(count($seen));
    $this->getJson('/api/v1/runs?after=x')->assertStatus(422);
});

it('sends the drawings again once a step ended otherwise than planned, and not for a note', function (): void {
    $this->freezeTime();
    $body = panel();
    $planned = $this->signedIn()->postJson('/api/v1/runs', $body)->assertCreated()->json('setup');
    append($this, $body['id'], upToHeat())->assertJsonPath('refused', []);
    $this->travel(7)->minutes();
    $run = $this->getJson("/api/v1/runs/{$body['id']}")->json();
    $since = count($run['events']);
    $note = $this->postJson(
        "/api/v1/runs/{$body['id']}/events",
        ['since' => $since, 'events' => [entry('noted', ['text' => 'seen'])]],
    )->assertOk()->json('run');
    expect($note['setup'])->toBe([]);
    $over = $this->postJson("/api/v1/runs/{$body['id']}/events", ['since' => $since + 1, 'events' => [
        entry('step_done', ['step' => 'heat', 'reason' => 'it takes no more'], at: (float) now()->format('U.u')),
    ]])->assertOk()->json('run');
    // Seven minutes are what it got, whatever was planned.
    expect($over['setup']['turn_min'])->toEqualWithDelta(7.0, 0.1)
        ->and($over['setup']['turn_min'])->not->toEqualWithDelta($planned['turn_min'], 0.5)
        ->and($over['setup']['curve'])->not->toBe($planned['curve'])
        ->and($over['procedure'])->toBe([]);
    // Another screen that knew of less gets them too.
    expect($this->getJson("/api/v1/runs/{$body['id']}?since={$since}")->json('setup.turn_min'))
        ->toEqualWithDelta(7.0, 0.1);
});

it('tells the source what its trial was, with the temperature it was worked at', function (
    string $verdict,
    string $kind,
    string $after,
): void {
    $source = Source::query()->where('name', 'Market co-op')->firstOrFail();
    $source->update(['state' => 'on_trial']);
    $run = startRun(['scale' => 'small_trial'])->json('summary.id');
    $before = SourceEvent::query()->count();
    append($this, $run, [...upToHeat(), ...toTheEnd($verdict)])->assertJsonPath('refused', []);
    $told = SourceEvent::query()->where('run_id', $run)->firstOrFail();
    expect($told->kind)->toBe($kind)
        ->and($told->worked_at_c)->toBe(185.0)
        ->and($told->note)->toStartWith('run ')
        ->and($source->refresh()->state->value)->toBe($after)
        ->and(SourceEvent::query()->count())->toBe($before + 1);
    // What is put right later is a lead's matter with the source: the run tells it once.
    append($this, $run, [entry('noted', ['text' => 'seen again'])])->assertJsonPath('refused', []);
    expect(SourceEvent::query()->count())->toBe($before + 1);
})->with([['good', 'small_trial_passed', 'small_trial_passed'], ['scrap', 'small_trial_failed', 'on_trial']]);

it('tells a source nothing by a run that was no trial, or that is on no rung of its', function (string $state, string $scale): void {
    $source = Source::query()->where('name', 'Market co-op')->firstOrFail();
    $source->update(['state' => $state]);
    $run = startRun(['scale' => $scale])->json('summary.id');
    append($this, $run, [...upToHeat(), ...toTheEnd()])->assertJsonPath('refused', []);
    expect(SourceEvent::query()->where('run_id', $run)->exists())->toBeFalse()
        ->and($source->refresh()->state->value)->toBe($state);
})->with([['accepted', 'production'], ['accepted', 'small_trial'], ['full_trial_passed', 'full_trial']]);

it('takes what was found later back from the shelf, whoever finds it, and keeps what was said before', function (): void {
    $run = startRun()->json('summary.id');
    append($this, $run, [...upToHeat(), ...toTheEnd()])->assertJsonPath('refused', []);
    $entry = collect($this->getJson("/api/v1/runs/{$run}")->json('entries'))->firstWhere('entry', 'disposition');
    $this->signedIn('jun');
    $found = [
        'event' => $entry['key'],
        'values' => ['verdict' => 'scrap', 'reason' => 'voids at the saw'],
        'reason' => 'found at the saw',
    ];
    append($this, $run, [entry('corrected', $found)])->assertJsonPath('refused', []);
    $whole = $this->getJson("/api/v1/runs/{$run}")->json();
    expect($whole['summary'])->toMatchArray(
        ['verdict' => 'scrap', 'scrap_reason' => 'voids at the saw', 'status' => 'finished'],
    )
        ->and(array_sum(array_column($whole['outputs'], 'count')))->toBe(0)
        ->and(
            collect($whole['events'])->where('type', 'logged')->firstWhere(
                'data.entry',
                'disposition',
            )['data']['values']['verdict'],
        )
        ->toBe('good');
});

it('finds good and scrap runs by their own verdict and by their pieces, on every page', function (string $verdict): void {
    $this->signedIn();
    $listed = [];
    $after = '';
    do {
        $page = $this->getJson("/api/v1/runs?verdict={$verdict}&after={$after}")->assertOk()->json();
        array_push($listed, ...array_column($page['items'], 'id'));
        $after = $page['next'];
    } while ($after !== null);
    $is = static fn (Run $run): bool => $verdict === 'scrap'
        ? $run->bad() > 0
        : $run->verdict === 'good' || ($run->good() > 0 && $run->bad() === 0);
    $all = Run::query()->counted()->orderByDesc('started_at')->orderByDesc('id')->get();
    expect($listed)->toBe($all->filter($is)->pluck('id')->values()->all())
        ->and($all->filter($is)->filter(static fn (Run $r): bool => $r->verdict === null)->count())->toBeGreaterThan(0);
})->with(['good', 'scrap']);
