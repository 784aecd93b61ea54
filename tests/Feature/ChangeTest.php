<?php

declare(strict_types=1);

use App\Runs\Models\ChangeLine;
use App\Runs\Models\JobChange;
use App\Runs\Models\Run;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use Carbon\CarbonImmutable;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** Wren as its last job left it, and the clips that come next. */
function changeTo(array $over = [], string $who = 'ines'): TestResponse
{
    return test()->signedIn($who)->postJson('/api/v1/changes', $over + clips());
}

/** @return array<string, mixed> */
function clips(): array
{
    return [
        'id' => fake_uuid(),
        'product_id' => Product::query()->where('name', 'frame spacer clip')->value('id'),
        'machines' => ['barrel' => machineNamed('Wren'), 'mould' => machineNamed('Dormouse')],
        'lot_id' => lot('L-0109')->id,
        'people' => 2,
    ];
}

/** @param  array<string, mixed>  $said */
function sayOfChange(array $change, string $kind, array $said = [], string $who = 'ines'): TestResponse
{
    return test()->signedIn($who)->postJson("/api/v1/changes/{$change['id']}/entries", $said + [
        'id' => fake_uuid(), 'after' => $change['after'], 'kind' => $kind,
    ]);
}

/** @return array<string, array<string, mixed>> */
function tasksById(array $change): array
{
    return array_column(array_map(static fn (array $t): array => [$t['task']['id'], $t], $change['tasks']), 1, 0);
}

/** Does what is ready, as somebody in a hurry would, until nothing is left or a task comes that is asked for. */
function goOn(array $change, ?string $until = null): array
{
    for ($i = 0; $i < 200 && $change['ended_at'] === null; $i++) {
        $ready = array_filter(
            $change['tasks'],
            static fn (array $t): bool => in_array($t['state'], ['ready', 'under_way'], true),
        );
        $task = reset($ready);
        if ($task === false || $task['task']['id'] === $until) {
            return $change;
        }
        $change = oneStep($change, $task)->assertCreated()->json();
    }

    return $change;
}

function oneStep(array $change, array $task): TestResponse
{
    $of = $task['task'];
    $id = ['task' => $of['id']];
    $open = array_values(array_diff($of['taps'], $task['tapped']));
    if (! $of['hands'] && $task['state'] === 'ready') {
        return sayOfChange($change, 'begun', $id);
    }
    if ($open !== []) {
        return sayOfChange($change, 'tapped', $id + ['tap' => $open[0]]);
    }
    if ($of['asks'] === 'purging' && $task['looks'] === []) {
        return sayOfChange($change, 'looked', $id + ['look' => 'clean', 'mass_g' => 200]);
    }
    if (! $of['hands'] && $of['asks'] === null) {
        return sayOfChange($change, 'passed', $id + ['why' => 'a test cannot wait']);
    }

    return sayOfChange($change, 'over', $id + match ($of['asks']) {
        'temperature' => ['c' => $of['set_c'] - 2],
        'water' => ['in_c' => 16, 'out_c' => 18],
        'first_parts' => ['good' => 2, 'bad' => 1],
        default => [],
    });
}

it('is planned with the job: what the last one left, what it takes to get it out', function (): void {
    $wren = Machine::query()->where('name', 'Wren')->firstOrFail();
    // The history's last run on it was shut down full of a stable polymer, its mould on the shelf.
    expect($wren->last_polymer)->toBe('HDPE')->and($wren->hung_id)->toBeNull();
    $plan = $this->signedIn()->postJson('/api/v1/plans', clips())->assertOk()->json();
    expect($plan['change']['holds'])->toBe('HDPE')
        ->and($plan['change']['purge_g'])->toBeGreaterThan(200)
        ->and($plan['change']['open'])->toBeNull();
    $change = changeTo()->assertCreated()->json();
    $tasks = tasksById($change);
    expect(array_keys($tasks))->toContain('hopper', 'heat_1', 'purge_1', 'mould_in', 'hoses_on', 'first_parts')
        ->and($tasks['mould_in']['task']['people'])->toBe(2)
        ->and(array_column($change['positions'], 'mm', 'name')['closed'])->toEqual(180)
        ->and($change['planned_min'])->toBeLessThanOrEqual($change['serial_min'])
        ->and(collect($change['hoses'])->pluck('circuit')->unique()->all())->toHaveCount(2);
    // The plan says now that it is under way.
    $plan = $this->postJson('/api/v1/plans', clips())->assertOk()->json();
    expect($plan['change']['open'])->toBe($change['id']);
});

it('says how long a change likely takes once four of that machine were made', function (): void {
    $made = changeTo()->assertCreated()->json();
    sayOfChange($made, 'given_up', ['why' => 'not today'])->assertCreated();
    $kept = JobChange::query()->findOrFail($made['id']);
    $took = static function (float $times, int $daysAgo) use ($kept): void {
        $at = CarbonImmutable::now()->subDays($daysAgo);
        $ended = $at->addSeconds((int) round(60 * $times * (float) $kept->plan['total_min']));
        JobChange::query()->create(
            ['id' => fake_uuid(), 'at' => $at, 'ended_at' => $ended] + $kept->only([
                'machine_id', 'product_id', 'lot_id', 'mould_id', 'polymer', 'was', 'plan', 'people', 'by_id',
            ]),
        );
    };
    foreach ([1.1, 1.2, 1.3] as $i => $times) {
        $took($times, 10 + $i);
    }
    // Given up, or left over night: neither tells how long one takes.
    $took(9.0, 5);
    $due = $this->signedIn()->postJson('/api/v1/plans', clips())->assertOk()->json('change');
    expect($due['likely_from_min'])->toBeNull()->and($due['known_from'])->toBe(3);
    $took(1.4, 4);
    $due = $this->postJson('/api/v1/plans', clips())->assertOk()->json('change');
    expect($due['known_from'])->toBe(4)
        ->and($due['likely_from_min'] / $due['total_min'])->toEqualWithDelta(1.13, 0.002)
        ->and($due['likely_to_min'] / $due['total_min'])->toEqualWithDelta(1.37, 0.002);
});

it('asks nothing of a machine that is ready for the job', function (): void {
    $change = goOn(changeTo()->assertCreated()->json());
    expect($change['ended_at'])->not->toBeNull()->and($change['given_up'])->toBeNull();
    $wren = Machine::query()->where('name', 'Wren')->firstOrFail();
    expect($wren->last_polymer)->toBe('PA6')
        ->and($wren->last_swatch)->toBe(lot('L-0109')->swatch)
        ->and($wren->hung_id)->toBe(machineNamed('Dormouse'));
    $this->signedIn()->postJson('/api/v1/plans', clips())->assertOk()->assertJsonPath('change', null);
    changeTo()->assertStatus(422)->assertJsonPath('error.field', 'machines');
});

it('starts no run on a machine that is being changed over, and changes over none that runs', function (): void {
    $change = changeTo()->assertCreated()->json();
    $run = clips() + [
        'confirmed_by' => person()->id,
        'answers' => ['people_protected' => true, 'air_moving' => true],
        'settings' => ['shots' => 2],
    ];
    $refused = $this->signedIn()->postJson('/api/v1/runs', $run)->assertStatus(422)->json('error');
    expect($refused['field'] === 'machines.barrel' ? $refused['message'] : json_encode($refused))->not->toBeEmpty();
    sayOfChange($change, 'given_up', ['why' => 'the order was taken back'])->assertCreated();
    expect(JobChange::query()->find($change['id'])->ended_at)->not->toBeNull();
    // Given up before anything was touched, it holds what it held.
    expect(Machine::query()->where('name', 'Wren')->value('last_polymer'))->toBe('HDPE');
    changeTo()->assertCreated();
    changeTo()->assertStatus(422)->assertJsonPath('error.field', 'machines');
});

it('knows what a machine holds when it is given up half-way', function (): void {
    $change = goOn(changeTo()->assertCreated()->json(), 'first_parts');
    sayOfChange($change, 'given_up', ['why' => 'a power cut'])
        ->assertCreated()
        ->assertJsonPath('given_up', 'a power cut');
    $wren = Machine::query()->where('name', 'Wren')->firstOrFail();
    expect($wren->last_polymer)->toBe('PA6')->and($wren->hung_id)->toBe(machineNamed('Dormouse'));
});

it('keeps two people from writing over one another, and one that is sent twice from counting twice', function (): void {
    $change = changeTo()->assertCreated()->json();
    $body = ['id' => fake_uuid(), 'after' => $change['after'], 'kind' => 'over', 'task' => 'hopper'];
    $path = "/api/v1/changes/{$change['id']}/entries";
    $this->signedIn('ines')->postJson($path, $body)->assertCreated();
    $this->signedIn('ines')->postJson($path, $body)->assertCreated();
    expect(ChangeLine::query()->where('change_id', $change['id'])->where('kind', '!=', 'begun')->count())->toBe(1);
    // Teodor has not seen it: at another task he is in nobody's way, at the same one or with all of it he looks again.
    sayOfChange($change, 'undone', ['task' => 'hopper'], 'teodor')
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'after');
    sayOfChange($change, 'given_up', ['why' => 'late'], 'teodor')
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'after');
    sayOfChange($change, 'begun', ['task' => 'heat_1'], 'teodor')->assertCreated();
    $this->signedIn()
        ->postJson($path, ['kind' => 'passed', 'task' => 'heat_1', 'why' => 'x'] + $body)
        ->assertStatus(409);
});

it('takes what was done while no server heard it, at the time when it was done', function (): void {
    $change = changeTo()->assertCreated()->json();
    $this->travel(20)->minutes();
    $then = $change['at'] + 300;
    $changed = sayOfChange($change, 'over', ['task' => 'hopper', 'at' => $then])->assertCreated()->json();
    expect(tasksById($changed)['hopper']['to'])->toEqualWithDelta($then, 1);
    // No clock of a screen is ahead of the shop's; what one has said oneself meanwhile is in nobody's way.
    $changed = sayOfChange($change, 'begun', ['task' => 'heat_1', 'at' => $change['at'] + 90000])
        ->assertCreated()
        ->json();
    expect(tasksById($changed)['heat_1']['from'])->toEqualWithDelta($change['at'] + 1200, 5);
    $set = tasksById($change)['heat_1']['task']['set_c'];
    sayOfChange($change, 'over', ['task' => 'heat_1', 'c' => $set - 9])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'c');
    sayOfChange($change, 'over', ['task' => 'heat_1', 'c' => $set - 4, 'at' => 1])->assertCreated();
    $last = ChangeLine::query()->where('change_id', $change['id'])->latest('id')->firstOrFail();
    expect((float) $last->at->format('U.v'))->toEqualWithDelta($change['at'], 0.01);
});

it('is begun once, however often it is sent', function (): void {
    $body = clips();
    $this->signedIn()->postJson('/api/v1/changes', $body)->assertCreated();
    $this->postJson('/api/v1/changes', $body)->assertCreated()->assertJsonPath('id', $body['id']);
    expect(JobChange::query()->count())->toBe(1);
});

it('takes no lot of another polymer', function (): void {
    changeTo(['lot_id' => lot('L-0108')->id])->assertStatus(422)->assertJsonPath('error.field', 'lot_id');
});

it('asks a lead to leave out a heat, and nobody else may', function (): void {
    $change = changeTo()->assertCreated()->json();
    sayOfChange($change, 'passed', ['task' => 'heat_1', 'why' => 'it is warm'])->assertStatus(422)
        ->assertJsonPath('error.field', 'task');
    sayOfChange($change, 'passed', ['task' => 'heat_1', 'why' => 'the probe is out, touched with another'], 'maren')
        ->assertCreated();
});

it('refuses what was not looked at, by its field', function (string $kind, array $said, string $field): void {
    $change = changeTo()->assertCreated()->json();
    sayOfChange($change, $kind, $said)->assertStatus(422)->assertJsonPath('error.field', $field);
    expect(ChangeLine::query()->where('change_id', $change['id'])->where('kind', '!=', 'begun')->count())->toBe(0);
})->with([
    'before its time' => ['over', ['task' => 'purge_1'], 'task'],
    'none of it' => ['over', ['task' => 'tea'], 'task'],
    'no task' => ['over', [], 'task'],
    'a strange look' => ['looked', ['task' => 'purge_1', 'look' => 'green'], 'look'],
    'a kind that is none' => ['danced', ['task' => 'hopper'], 'kind'],
    'a tap that is none' => ['tapped', ['task' => 'hopper', 'tap' => 'x'], 'tap'],
    'no reason' => ['given_up', [], 'why'],
    'a number that is none' => ['over', ['task' => 'heat_1', 'c' => 'hot'], 'c'],
    'out of this world' => ['over', ['task' => 'heat_1', 'c' => 9000], 'c'],
]);

it('keeps its log as it was said', function (): void {
    $change = changeTo()->assertCreated()->json();
    sayOfChange($change, 'over', ['task' => 'hopper'])->assertCreated();
    $line = ChangeLine::query()->where('change_id', $change['id'])->firstOrFail();
    foreach (['update', 'delete'] as $how) {
        expect(static fn () => DB::transaction(static fn () => $how === 'update'
            ? DB::table('change_log')->where('id', $line->id)->update(['kind' => 'passed'])
            : DB::table('change_log')->where('id', $line->id)->delete()))->toThrow(QueryException::class);
    }
});

it('is there for whoever asks for it, and for nobody who has not signed in', function (): void {
    $change = changeTo()->assertCreated()->json();
    $this->signedIn('jun')->getJson('/api/v1/changes')->assertOk()->assertJsonPath('items.0.id', $change['id']);
    $this->getJson("/api/v1/changes/{$change['id']}")->assertOk()->assertJsonPath('machine', 'Wren');
    // What is over is asked for by its own address.
    sayOfChange($change, 'given_up', ['why' => 'the order was taken back'])->assertCreated();
    $this->getJson('/api/v1/changes')->assertOk()->assertJsonPath('items', []);
    $this->getJson("/api/v1/changes/{$change['id']}")
        ->assertOk()
        ->assertJsonPath('given_up', 'the order was taken back');
    $this->getJson('/api/v1/changes/'.fake_uuid())->assertNotFound();
    app('auth')->forgetGuards();
    $this->flushSession();
    $this->getJson('/api/v1/changes')->assertUnauthorized();
});

it('refuses to leave in a barrel what breaks down there', function (): void {
    $polymers = new Dithermic\Core\Material\PolymerLibrary;
    $left = static fn (string $what, string $run) => Dithermic\Core\Process\Left::of(
        new Dithermic\Core\Data\Record(['what' => $what, 'mould' => 'stays in']),
        $polymers->get($run),
    );
    expect(static fn () => $left('what was run', 'POM'))->toThrow(
        Dithermic\Core\Calculator\InputError::class,
        'breaks down',
    )
        ->and($left('what was run', 'PP')->polymer)->toBe('PP')
        ->and($left('what was run', 'PP')->own)->toBeTrue()
        ->and($left('empty', 'POM')->polymer)->toBeNull()
        ->and($left('HDPE', 'POM')->polymer)->toBe('HDPE')
        ->and($left('HDPE', 'POM')->mouldStays)->toBeTrue();
});

it('hangs a mould in one machine only', function (): void {
    Machine::query()->where('name', 'Heron')->update(['hung_id' => machineNamed('Dormouse')]);
    $change = goOn(changeTo()->assertCreated()->json(), 'first_parts');
    expect(Machine::query()->where('name', 'Heron')->value('hung_id'))->toBeNull()
        ->and(Machine::query()->where('name', 'Wren')->value('hung_id'))->toBe(machineNamed('Dormouse'))
        ->and($change['ended_at'])->toBeNull();
});

it('takes no mould that hangs in a run elsewhere', function (): void {
    $this->signedIn()
        ->postJson('/api/v1/runs', jobOf('entrance reducer', 'barrel', 'Heron', 'L-0106'))
        ->assertCreated();
    changeTo([
        'product_id' => Product::query()->where('name', 'entrance reducer')->value('id'),
        'machines' => ['barrel' => machineNamed('Wren'), 'mould' => machineNamed('Wicket')],
        'lot_id' => lot('L-0106')->id,
    ])->assertStatus(422)->assertJsonPath('error.field', 'machines.mould');
});

it('asks nothing of a process whose machine holds nothing between two jobs', function (): void {
    $this->signedIn()->postJson('/api/v1/plans', panel())->assertOk()->assertJsonPath('change', null);
    $this->postJson('/api/v1/changes', panel(['id' => fake_uuid()]))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'machines');
});

it('holds what it held when a purging or a mould is taken back', function (): void {
    $wren = static fn () => Machine::query()->where('name', 'Wren')->firstOrFail();
    $change = goOn(changeTo()->assertCreated()->json(), 'purge_1');
    $change = sayOfChange($change, 'looked', ['task' => 'purge_1', 'look' => 'streaks'])->assertCreated()->json();
    expect($wren()->last_polymer)->toBe('PA6');
    $change = sayOfChange($change, 'undone', ['task' => 'purge_1'])->assertCreated()->json();
    expect($wren()->last_polymer)->toBe('HDPE');
});

it('hangs no mould that was left out', function (): void {
    $change = changeTo()->assertCreated()->json();
    sayOfChange($change, 'passed', ['task' => 'mould_in', 'why' => 'it hangs already'])->assertCreated();
    expect(Machine::query()->where('name', 'Wren')->value('hung_id'))->toBeNull();
});

it('lets a run that is over say nothing of a machine that went on', function (): void {
    $run = Run::query()->whereHas('stations', static fn ($s) => $s->where('machine_id', machineNamed('Wren')))
        ->orderBy('started_at')->with('events')->firstOrFail();
    $left = $run->events->first(static fn ($e): bool => ($e->data['entry'] ?? null) === 'left');
    $this->signedIn()->postJson("/api/v1/runs/{$run->id}/events", ['events' => [[
        'key' => fake_uuid(), 'type' => 'corrected', 'at' => shopNow(), 'by_id' => person()->id,
        'data' => ['event' => $left->key, 'values' => ['what' => 'PP'], 'reason' => 'it was PP'],
    ]]])->assertOk()->assertJsonPath('refused', []);
    expect(Machine::query()->where('name', 'Wren')->value('last_polymer'))->toBe('HDPE');
});
