<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Runs\Models\Inspection;
use App\Runs\Models\Piece;
use App\Runs\Models\ProcedureVersion;
use App\Runs\Models\Run;
use App\Runs\Models\RunMaterial;
use App\Runs\Models\RunOutput;
use App\Runs\Models\RunStation;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Processes;
use Tests\TeaMaking;
use Tests\TestCase;

require_once __DIR__.'/../../core/tests/walk.php';

/** @return array<string, mixed> a job of a process on the demo's machines, ready to start */
function jobOf(string $product, string $role, string $machine, string $lot, array $over = []): array
{
    $made = Product::query()->where('name', $product)->firstOrFail();

    return array_replace_recursive([
        'id' => fake_uuid(),
        'product_id' => $made->id,
        'machines' => [
            $role => machineNamed($machine),
        ] + ($made->mould_id === null ? [] : ['mould' => $made->mould_id]),
        'lot_id' => lot($lot)->id,
        'confirmed_by' => person()->id,
        'answers' => [
            'people_protected' => true,
            'air_moving' => true,
            'guard_closed' => true,
            'nozzle_seated' => true,
            'pressure_relieved' => true,
            'lifting_gear' => true,
        ],
    ], $over);
}

function reducer(array $over = []): array
{
    return jobOf('entrance reducer', 'barrel', 'Heron', 'L-0106', $over);
}

/** A lot of a polymer that the demo has none of to spare, from a source that is accepted. */
function spare(string $polymer, string $form = 'flake', int $grams = 30000): string
{
    $case = test();
    assert($case instanceof TestCase);
    $lot = $case->postJson('/api/v1/lots', [
        'id' => fake_uuid(),
        'source_id' => lot('L-0101')->source_id,
        'polymer' => $polymer,
        'form' => $form,
        'colour' => 'grey',
        'swatch' => '#888888',
        'mass_g' => $grams,
    ] + ($form === 'sheet' ? ['sheet' => ['length_mm' => 1000, 'width_mm' => 600, 'thickness_mm' => 1.5]] : []))
        ->assertSuccessful()
        ->json();

    return $lot['code'] ?? $lot['lot']['code'];
}

/** @param  list<array{type: string, data: array<string, mixed>}>  $entries */
function tell(string $run, array $entries): Illuminate\Testing\TestResponse
{
    $case = test();
    assert($case instanceof TestCase);
    $events = array_map(static fn (array $e): array => entry($e['type'], $e['data']), $entries);

    return $case->postJson("/api/v1/runs/{$run}/events", ['events' => $events])->assertOk();
}

/** Goes through every step that a run or a piece of it is at. */
function walkRun(string $id, ?int $piece = null, string $verdict = 'good', ?string $until = null): void
{
    $run = Run::query()->with(['events.by', 'procedureVersion'])->findOrFail($id);
    $procedure = $run->procedureVersion->procedure();
    while (true) {
        $state = $run->load('events.by')->state();
        $thread = $state->thread($piece);
        $step = $procedure->step((string) $thread?->step);
        if ($step === null || $step->id === $until) {
            return;
        }
        tell($id, throughStep($procedure, $step, $run->plan, $piece, $verdict))->assertJsonPath('refused', []);
    }
}

it('names the processes that run here, with their places, schools and settings', function (): void {
    $processes = $this->signedIn()->getJson('/api/v1/processes')->assertOk()->json('items');
    expect(array_column($processes, 'id'))->toBe(['compression', 'injection', 'extrusion', 'vacuum_forming'])
        ->and(array_column($processes, 'piece'))->toBe(['piece', 'shot', 'bar', 'part'])
        ->and($processes[1]['roles'][0])
        ->toMatchArray(['id' => 'barrel', 'kinds' => ['plunger_injector', 'screw_injector'], 'required' => true])
        ->and($processes[1]['settings']['properties']['melt_c']['x-unit'])->toBe('°C')
        ->and($processes[1]['schools']['soak_rule']['default'])->toBe('physics');
});

it('plans a job by its product\'s process', function (string $product, string $role, string $machine): void {
    $answer = $this->signedIn()->postJson('/api/v1/plans', [
        'product_id' => Product::query()->where('name', $product)->value('id'),
        'machines' => [$role => machineNamed($machine)],
    ])->assertOk()->json();
    expect($answer['plan']['explanation'])->not->toBe('')
        ->and($answer['safety'])->toBeNull()
        ->and($answer['settings'])->not->toBe([])
        ->and($answer['process'])->toBe(Product::query()->where('name', $product)->value('process'))
        ->and($answer['marks']['window_typical_c'] ?? $answer['marks'])->not->toBeNull();
})->with([
    ['entrance reducer', 'barrel', 'Heron'],
    ['frame spacer clip', 'barrel', 'Wren'],
    ['stand rail', 'barrel', 'Adder'],
    ['syrup feeder tray', 'former', 'Bellows'],
    ['travel lid', 'former', 'Bellows'],
    ['hive floor panel', 'hot', 'Anvil'],
]);

it('refuses a place that is none, a machine that does not belong in it, and one that is retired', function (): void {
    $this->signedIn();
    $plan = fn (array $machines) => $this->postJson('/api/v1/plans', [
        'product_id' => Product::query()->where('name', 'entrance reducer')->value('id'),
        'machines' => $machines,
    ])->assertStatus(422)->json('error.field');
    expect($plan(['kettle' => machineNamed('Heron')]))->toBe('machines.kettle')
        ->and($plan(['barrel' => machineNamed('Anvil')]))->toBe('machines.barrel')
        ->and($plan(['barrel' => null]))->toBe('machines.barrel')
        ->and($plan(['barrel' => 999999]))->toBe('machines.barrel')
        ->and($plan(['barrel' => 'Heron']))->toBe('machines.barrel');
    Machine::query()->where('name', 'Heron')->update(['retired_at' => now()]);
    expect($plan(['barrel' => machineNamed('Heron')]))->toBe('machines.barrel')
        ->and(array_column($this->getJson('/api/v1/machines')->json('items'), 'name'))->not->toContain('Heron');
});

it('lets nobody shoot with the guard open, whoever asks', function (): void {
    $body = reducer(['answers' => ['guard_closed' => false, 'pressure_relieved' => false]]);
    $blocks = $this->signedIn()->postJson('/api/v1/plans', $body)->assertOk()->json('safety.blocks');
    expect(array_column($blocks, 'id'))->toBe(['guard_open', 'pressure_standing']);
    $this->postJson('/api/v1/runs', $body)->assertStatus(422);
    $this->signedIn('maren')->postJson('/api/v1/runs', ['confirmed_by' => person('maren')->id, 'overrides' => [
        ['id' => 'guard_open', 'reason' => 'it is only a short one'],
        ['id' => 'pressure_standing', 'reason' => 'it is only a short one'],
    ]] + $body)->assertStatus(422);
    expect(Run::query()->whereKey($body['id'])->exists())->toBeFalse();
});

it('begins nothing that the plan says cannot be done', function (): void {
    $body = reducer(['settings' => ['part_volume_cm3' => 150]]);
    $this->signedIn()->postJson('/api/v1/runs', $body)
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'settings');
    expect(Run::query()->whereKey($body['id'])->exists())->toBeFalse();
});

it('makes parts: lots in, pieces judged, goods out, all in the record', function (): void {
    $body = reducer();
    $run = $this->signedIn()->postJson('/api/v1/runs', $body)->assertCreated()->json('summary');
    expect($run['stations'])->toBe([
        [
            'role' => 'barrel', 'title' => 'injector', 'machine' => 'Heron', 'machine_id' => machineNamed('Heron'),
            'learns' => true,
        ],
        [
            'role' => 'mould', 'title' => 'mould', 'machine' => 'Wicket', 'machine_id' => machineNamed('Wicket'),
            'learns' => false,
        ],
    ]);
    walkRun($run['id']);
    tell($run['id'], [['type' => 'piece_begun', 'data' => ['piece' => 1]]])->assertJsonCount(1, 'stored');
    walkRun($run['id'], 1);
    tell($run['id'], [['type' => 'piece_begun', 'data' => ['piece' => 2]]]);
    tell($run['id'], [['type' => 'step_done', 'data' => ['step' => 'shoot', 'piece' => 2]]]);
    tell($run['id'], [
        ['type' => 'logged', 'data' => ['entry' => 'load', 'values' => ['mass_g' => 40], 'piece' => 2]],
        ['type' => 'step_done', 'data' => ['step' => 'cool', 'piece' => 2, 'reason' => 'a test does not wait']],
        ['type' => 'logged', 'data' => ['entry' => 'part', 'values' => ['mass_g' => 15.1], 'piece' => 2]],
    ])->assertJsonPath('refused', []);
    walkRun($run['id'], 2, 'scrap');
    // From the nozzle to full by the taps, in the run and for the charts of its product.
    $shown = array_column($this->getJson("/api/v1/runs/{$run['id']}")->json('pieces'), 'clocked', 'piece');
    $kept = Piece::query()->where('run_id', $run['id'])->pluck('clocked', 'number');
    expect($shown[2]['seat_s'])->toBeGreaterThanOrEqual(0)->toEqual($kept[2]['seat_s'])
        ->and(array_keys($shown[1]))->toBe(['seat_s']);
    // What went in less two shots is in the barrel, with nothing purged that was weighed.
    $now = $this->getJson("/api/v1/runs/{$run['id']}")->assertOk()->json();
    expect($now['inside']['mass_g'])->toEqualWithDelta(140 - 2 * $now['plan']['shot_mass_g'], 0.2)
        ->and($now['inside']['pieces'])->toBe((int) floor($now['inside']['mass_g'] / $now['plan']['shot_mass_g']))
        ->and($now['inside']['verdict'])->toBe('ok');
    tell($run['id'], [['type' => 'closing', 'data' => []]]);
    expect($this->getJson("/api/v1/runs/{$run['id']}")->json('inside.do'))->toContain('or empty it');
    walkRun($run['id']);

    $end = $this->getJson("/api/v1/runs/{$run['id']}")->assertOk()->json();
    $figures = array_column($end['summary']['figures'], 'value', 'id');
    expect($end['summary']['status'])->toBe('finished')
        ->and($end['inside'])->toBeNull()
        ->and([$end['summary']['good'], $end['summary']['bad']])->toBe([1, 1])
        // Two parts in a shot.
        ->and($end['outputs'])->toBe([[
            'kind' => 'goods', 'count' => 2, 'lot_id' => null, 'lot' => null, 'mass_g' => null,
        ]])
        ->and($end['inspection']['verdict'])->toBe('short')
        ->and($figures['full_pct'])->toBeLessThan(98)
        ->and(Piece::query()->where('run_id', $run['id'])->orderBy('number')->pluck('verdict')->all())
        ->toBe(['good', 'scrap'])
        ->and(Inspection::query()->where('run_id', $run['id'])->value('piece'))->toBe(2);
    // What went in came off the lot: the first load and the refill.
    $taken = -(float) LotMovement::query()->where('run_id', $run['id'])->sum('mass_g');
    expect($taken)->toBe(140.0)
        ->and((float) RunMaterial::query()->where('run_id', $run['id'])->value('mass_g'))->toBe(140.0);
    $held = RunStation::query()->where('run_id', $run['id'])->firstOrFail();
    expect($held->from_at)->not->toBeNull()->and($held->to_at)->not->toBeNull();
    $json = $this->getJson("/api/v1/runs/{$run['id']}.json")->assertOk()->json();
    expect($json['machines'][0]['name'])->toBe('Heron')->and(count($json['events']))->toBe(count($end['events']));
    $this->get("/api/v1/runs/{$run['id']}.pdf")->assertOk();
    expect($this->get("/api/v1/runs/{$run['id']}.csv")->assertOk()->content())->toContain('Shot 2');
});

it('answers with what is new since an entry, and with the whole to who knows of none', function (): void {
    $id = $this->signedIn()->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    walkRun($id);
    foreach ([1, 2] as $piece) {
        tell($id, [['type' => 'piece_begun', 'data' => ['piece' => $piece]]]);
        walkRun($id, $piece);
    }
    $whole = $this->getJson("/api/v1/runs/{$id}")->assertOk()->json();
    $newest = end($whole['events'])['seq'];
    expect($whole['since'])->toBe(0)->and($newest)->toBe(count($whole['events']));
    $note = entry('noted', ['text' => 'seen']);
    $answer = $this->postJson("/api/v1/runs/{$id}/events", ['since' => $newest, 'events' => [$note]])
        ->assertOk()->json('run');
    expect($answer['since'])->toBe($newest)
        ->and(array_column($answer['events'], 'key'))->toBe([$note['key']])
        ->and([$answer['entries'], $answer['pieces'], $answer['setup'], $answer['procedure']])->toBe([[], [], [], []])
        ->and([$answer['summary']['good'], $answer['summary']['bad']])->toBe([2, 0]);
    // A correction of an old verdict brings that entry and its piece again.
    $verdict = array_values(array_filter(
        $whole['entries'],
        static fn (array $e): bool => $e['entry'] === 'disposition',
    ))[0];
    $answer = $this->postJson("/api/v1/runs/{$id}/events", ['since' => $newest + 1, 'events' => [entry('corrected', [
        'event' => $verdict['key'],
        'values' => ['verdict' => 'scrap', 'reason' => 'a crack'],
        'reason' => 'seen later',
    ])]])->assertOk()->json('run');
    expect(array_column($answer['entries'], 'key'))->toBe([$verdict['key']])
        ->and(array_column($answer['pieces'], 'piece'))->toBe([1])
        ->and($answer['summary']['bad'])->toBe(1);
    // Who knows of more than there is has seen another shop.
    expect($this->getJson("/api/v1/runs/{$id}?since=99999")->assertOk()->json('since'))->toBe(0);
    $this->getJson("/api/v1/runs/{$id}?since=-1")->assertStatus(422);
});

it('takes goods back when a verdict is put right', function (): void {
    $id = $this->signedIn()->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    walkRun($id);
    tell($id, [['type' => 'piece_begun', 'data' => ['piece' => 1]]]);
    walkRun($id, 1);
    $goods = static fn (): int => (int) RunOutput::query()->where('run_id', $id)->sum('count');
    expect($goods())->toBe(2);
    $key = Run::query()->findOrFail($id)->events->first(
        static fn ($e): bool => ($e->data['entry'] ?? '') === 'disposition',
    )->key;
    $right = [['type' => 'corrected', 'data' => [
        'event' => $key,
        'reason' => 'a crack at the gate',
        'values' => ['verdict' => 'scrap', 'reason' => 'cracked'],
    ]]];
    tell($id, $right)->assertJsonPath('refused', []);
    expect($goods())->toBe(0)
        ->and(Piece::query()->where('run_id', $id)->value('verdict'))->toBe('scrap')
        ->and(Piece::query()->where('run_id', $id)->value('reason'))->toBe('cracked');
});

it('lets two screens begin one next piece only', function (): void {
    $id = $this->signedIn()->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    walkRun($id);
    $begin = [['type' => 'piece_begun', 'data' => ['piece' => 1]]];
    tell($id, $begin)->assertJsonCount(1, 'stored');
    tell($id, $begin)->assertJsonPath('refused.0.field', 'data.piece');
    expect(Piece::query()->where('run_id', $id)->count())->toBe(1);
    // Lumps are no smooth melt, and another step's answer is none.
    tell($id, [['type' => 'logged', 'data' => ['entry' => 'purge', 'values' => ['what' => 'smooth'], 'piece' => 1]]])
        ->assertJsonPath('refused.0.field', 'data.entry');
});

it('holds a gate that asks how something looks until it does', function (): void {
    $id = $this->signedIn()->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    $procedure = ProcedureVersion::query()
        ->where('key', 'injection')
        ->orderByDesc('version')
        ->firstOrFail()
        ->procedure();
    $plan = Run::query()->findOrFail($id)->plan;
    foreach (['heat_up', 'fill', 'soak'] as $step) {
        tell($id, throughStep($procedure, $procedure->step($step), $plan))->assertJsonPath('refused', []);
    }
    $saw = static fn (string $what): array => [
        ['type' => 'logged', 'data' => ['entry' => 'purge', 'values' => ['what' => $what]]],
        ['type' => 'step_done', 'data' => ['step' => 'test_shot']],
    ];
    tell($id, $saw('bubbles'))->assertJsonPath('refused.0.field', 'data.reason');
    tell($id, $saw('smooth'))->assertJsonPath('refused', []);
});

it('runs bars and formed parts on the same machinery', function (
    string $product,
    string $role,
    string $machine,
    string $polymer,
    string $form,
): void {
    $this->signedIn();
    $body = jobOf($product, $role, $machine, spare($polymer, $form));
    $id = $this->postJson('/api/v1/runs', $body)->assertCreated()->json('summary.id');
    walkRun($id);
    tell($id, [['type' => 'piece_begun', 'data' => ['piece' => 1]]]);
    walkRun($id, 1);
    tell($id, [['type' => 'closing', 'data' => []]]);
    walkRun($id);
    $end = $this->getJson("/api/v1/runs/{$id}")->json();
    expect($end['summary']['status'])->toBe('finished')
        ->and($end['summary']['good'])->toBe(1)
        ->and($end['outputs'][0]['count'])->toBe(1);
    $this->get("/api/v1/runs/{$id}.pdf")->assertOk();
})->with([
    ['stand rail', 'barrel', 'Adder', 'HDPE', 'flake'],
    ['syrup feeder tray', 'former', 'Bellows', 'HIPS', 'sheet'],
]);

it('shows a run of pieces on the floor, and what wants hands next of it', function (): void {
    $id = $this->signedIn()->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    walkRun($id);
    $floor = $this->getJson('/api/v1/floor')->assertOk()->json();
    $hands = array_values(array_filter($floor['hands'], static fn (array $h): bool => $h['run_id'] === $id));
    expect($hands[0]['what'])->toBe('Under the nozzle, shoot')
        ->and($hands[0]['piece'])->toBe(1)
        ->and(array_column($floor['lanes'], 'run_id', 'machine')['Heron'])->toBe($id);
    tell($id, [
        ['type' => 'piece_begun', 'data' => ['piece' => 1]],
        ['type' => 'step_done', 'data' => ['step' => 'shoot', 'piece' => 1]],
    ]);
    $hands = array_values(array_filter(
        $this->getJson('/api/v1/floor')->json('hands'),
        static fn (array $h): bool => $h['run_id'] === $id,
    ));
    // The mould is taken: no further shot, but the one that cools.
    expect(array_column($hands, 'piece'))->toBe([1])->and($hands[0]['timer'])->toBe('cool');
});

it('says whose hands each call wants: who is at it, and who is here once they have gone', function (): void {
    $shots = $this->signedIn('ines')->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    walkRun($shots);
    $rail = jobOf('stand rail', 'barrel', 'Adder', spare('HDPE'), ['confirmed_by' => person('teodor')->id]);
    $bars = $this->signedIn('teodor')->postJson('/api/v1/runs', $rail)->assertCreated()->json('summary.id');
    walkRun($bars);
    $whose = function () use ($shots, $bars): array {
        $hands = collect($this->getJson('/api/v1/floor')->assertOk()->json('hands'));

        return array_map(static fn (string $id): array => $hands->firstWhere('run_id', $id)['whose'], [$shots, $bars]);
    };
    // A bar wants two: the second is whoever else is here.
    expect($whose()[0])
        ->toBe(['Ines Halloran'])
        ->and($whose()[1][0])
        ->toBe('Teodor Blum')
        ->and($whose()[1])
        ->toHaveCount(2);
    // Whoever put hands to it last is at it.
    $this->signedIn('ines');
    tell($bars, [['type' => 'piece_begun', 'data' => ['piece' => 1]]]);
    walkRun($bars, 1);
    $last = collect($this->getJson('/api/v1/floor')->json('hands'))->firstWhere('run_id', $bars);
    expect($last['by'])->toBe('Ines Halloran');
    // She goes home: none of it is hers.
    $this->travel(5)->minutes();
    $now = shopNow();
    $this->postJson('/api/v1/day/people', [
        'id' => fake_uuid(), 'day' => $now - 7200, 'person_id' => person('ines')->id, 'from' => $now - 7200,
        'to' => $now - 1,
    ])->assertNoContent();
    expect(array_merge(...$whose()))->not->toContain('Ines Halloran')->toContain('Teodor Blum');
});

it('raises the zone of a heater that parts say is cold, once, and again only by parts made after it was seen to', function (): void {
    $this->signedIn();
    $body = jobOf('syrup feeder tray', 'former', 'Bellows', spare('HIPS', 'sheet'));
    $id = $this->postJson('/api/v1/runs', $body)->assertCreated()->json('summary.id');
    $bellows = $body['machines']['former'];
    $care = fn (): array => array_values(array_filter(
        $this->getJson("/api/v1/machines/{$bellows}/care")->assertOk()->json('items'),
        static fn (array $one): bool => str_contains($one['title'], 'is cold'),
    ));
    walkRun($id);
    $form = function (int $piece) use ($id): void {
        tell($id, [['type' => 'piece_begun', 'data' => ['piece' => $piece]]])->assertJsonPath('refused', []);
        walkRun($id, $piece, until: 'judge');
        $corners = ['front_left_mm' => 0.8, 'front_right_mm' => 0.81, 'back_left_mm' => 0.79, 'back_right_mm' => 0.9];
        tell($id, [['type' => 'logged', 'data' => [
            'entry' => 'corners', 'piece' => $piece, 'values' => $corners,
        ]]])->assertJsonPath('refused', []);
        walkRun($id, $piece);
    };
    array_map($form, range(1, 16));
    expect($care())->toHaveCount(1)
        ->and($care()[0]['title'])->toBe('Heater zone over the back right is cold')
        ->and($care()[0]['why'])->toContain('% of its power');
    $this->travel(1)->minutes();
    $this
        ->postJson("/api/v1/care/{$care()[0]['id']}/done", ['id' => fake_uuid(), 'note' => 'dial up'])
        ->assertCreated();
    $this->travel(1)->minutes();
    array_map($form, range(17, 19));
    expect($care())->toBe([]);
    $form(20);
    expect($care())->toHaveCount(1)->and($care()[0]['why'])->toContain('over 4 parts: +5 % of its power');
});

it('lists runs by their process', function (): void {
    $this->signedIn()->postJson('/api/v1/runs', reducer())->assertCreated();
    $shown = $this->getJson('/api/v1/runs?process=injection')->assertOk()->json('items');
    expect(array_unique(array_column($shown, 'process')))->toBe(['injection'])
        ->and($this->getJson('/api/v1/runs?process=smelting')->assertOk()->json('items'))->toBe([]);
});

it('makes room for a process that nobody has heard of', function (): void {
    $this->app->scoped(
        Processes::class,
        static fn ($app): Processes => new Processes(
            $app->make(Registry::class),
            [...Processes::SHIPPED, TeaMaking::class],
        ),
    );
    $kettle = Machine::query()->create(['name' => 'Kettle', 'kind' => 'kettle', 'facts' => ['litres' => 2]]);
    $cup = Product::query()->create([
        'name' => 'cup of tea',
        'process' => 'tea',
        'polymer' => 'PP',
        'dimensions' => ['leaf_g' => 2],
    ]);
    $this->signedIn();
    $body = ['product_id' => $cup->id, 'machines' => ['bench' => $kettle->id]] + reducer();
    $answer = $this->postJson('/api/v1/plans', $body)->assertOk()->json();
    expect($answer['plan']['explanation'])->toBe('A cup of 2.0 g of leaves.');
    $id = $this->postJson('/api/v1/runs', $body)->assertCreated()->json('summary.id');
    $boil = [
        ['type' => 'logged', 'data' => ['entry' => 'water', 'values' => ['water_c' => 97]]],
        ['type' => 'step_done', 'data' => ['step' => 'boil']],
    ];
    tell($id, $boil)->assertJsonPath('refused', []);
    foreach ([1, 2] as $n) {
        tell($id, [
            ['type' => 'piece_begun', 'data' => ['piece' => $n]],
            ['type' => 'logged', 'data' => ['entry' => 'leaf', 'values' => ['leaf_g' => 2.05], 'piece' => $n]],
            ['type' => 'step_done', 'data' => ['step' => 'fill', 'piece' => $n]],
        ])->assertJsonPath('refused', []);
    }
    $run = $this->getJson("/api/v1/runs/{$id}")->assertOk()->json();
    expect($run['summary']['process'])->toBe('tea')
        ->and($run['summary']['stations'][0]['title'])->toBe('kettle')
        ->and(array_column($run['pieces'], 'step'))->toBe(['steep', 'steep'])
        ->and(array_column($run['summary']['figures'], 'value', 'id'))->toBe(['leaf_g' => 2])
        ->and(array_column($this->getJson('/api/v1/processes')->json('items'), 'id'))->toContain('tea')
        ->and($this->getJson('/api/v1/runs?process=tea')->json('items.0.product'))->toBe('cup of tea');
    $this->getJson('/api/v1/floor')->assertOk();
    $this->get("/api/v1/runs/{$id}.pdf")->assertOk();
});

it('stands still where its heat went, says what it needs, and keeps both in its record', function (): void {
    $id = $this->signedIn()->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    walkRun($id);
    $this->getJson("/api/v1/runs/{$id}/restart")->assertStatus(422);
    $run = tell($id, [['type' => 'interrupted', 'data' => ['reason' => 'The power went']]])
        ->assertJsonPath('refused', [])->json('run');
    expect($run['breaks'])->toHaveCount(1)->and($run['breaks'][0]['to'])->toBeNull();
    // The list and the floor say so, and nothing of it rings.
    $floor = $this->getJson('/api/v1/floor')->assertOk()->json();
    $of = static fn (array $all): array => array_values(array_filter(
        $all,
        static fn (array $x): bool => $x['run_id'] === $id,
    ));
    expect($this->getJson('/api/v1/runs?verdict=open')->json('items.0.still_since'))->toEqual($run['breaks'][0]['from'])
        ->and($of($floor['lanes'])[0]['still'])->toBe($run['breaks'][0])
        ->and(array_column($of($floor['hands']), 'what'))->toBe(['It stands still']);
    $restart = $this->getJson("/api/v1/runs/{$id}/restart?read_c=60")->assertOk()->json();
    expect($restart['barrel_c'])->toEqual(60)
        ->and($restart['wait_min'])->toBeGreaterThan(10)
        ->and($restart['cautions'])->toHaveCount(1);
    $this->getJson("/api/v1/runs/{$id}/restart?read_c=warm")
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'read_c');
    tell($id, [['type' => 'resumed', 'data' => ['wait_min' => $restart['wait_min'], 'read_c' => 60]]])
        ->assertJsonPath('refused', [])
        ->assertJsonPath('run.summary.still_since', null)
        ->assertJsonPath('run.timers.1.title', 'Hot through again');
    tell($id, [
        ['type' => 'piece_begun', 'data' => ['piece' => 1]],
        ['type' => 'step_done', 'data' => ['step' => 'shoot', 'piece' => 1]],
    ])->assertJsonPath('refused.0.field', 'data.piece')->assertJsonPath('run.pieces', []);
    // Gone again before it was through: what was left of the first time is waited for too.
    tell(
        $id,
        [['type' => 'interrupted', 'data' => ['reason' => 'The power went again']]],
    )->assertJsonPath('refused', []);
    expect($this->getJson("/api/v1/runs/{$id}/restart")->assertOk()->json('wait_min'))
        ->toBeGreaterThan($restart['wait_min'] - 1);
    expect($this->get("/api/v1/runs/{$id}.csv")->assertOk()->getContent())
        ->toContain('Interrupted: The power went')
        ->toContain('Goes on, hot through again');
});
