<?php

declare(strict_types=1);

use App\Causes\Models\CaseLine;
use App\Causes\Models\CaseOf;
use App\Runs\Models\Inspection;
use App\Runs\Models\Run;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use Dithermic\Core\Run\RunState;
use Illuminate\Support\Facades\DB;

/** @return array<string, array<string, mixed>> by product */
function learnt(): array
{
    return array_column(test()->signedIn()->getJson('/api/v1/learnt')->assertOk()->json('items'), null, 'product');
}

/** @return array<string, mixed> */
function learntOf(string $name): array
{
    return test()->signedIn()->getJson('/api/v1/learnt/'.productNamed($name)->id)->assertOk()->json();
}

it('says of each product that was made how its last twenty runs came out', function (): void {
    $learnt = learnt();
    expect(array_keys($learnt))->toContain('hive floor panel', 'entrance reducer', 'stand rail', 'syrup feeder tray');
    foreach ($learnt as $name => $of) {
        $runs = Run::query()->counted()->where('product_id', $of['product_id'])
            ->where('status', RunState::FINISHED)
            ->orderByDesc('started_at')->orderByDesc('id')
            ->limit(20)->get();
        expect(count($of['recent']))->toBe($runs->count(), $name)
            ->and($of['recent'][count($of['recent']) - 1]['id'])->toBe($runs->first()->id, $name)
            ->and($of['good'])->toBe($runs->sum(static fn (Run $r): int => $r->good()), $name)
            ->and($of['bad'])->toBe($runs->sum(static fn (Run $r): int => $r->bad()), $name);
        $at = array_column($of['recent'], 'at');
        expect($at)->toBe(collect($at)->sort()->values()->all(), $name);
    }
    // What was made last stands first.
    $last = array_map(static fn (array $of): float => end($of['recent'])['at'], array_values($learnt));
    expect($last)->toBe(collect($last)->sortDesc()->values()->all());
});

it('leaves out what was never made, and what is not over yet', function (): void {
    $product = Product::factory()->create(['name' => 'never made', 'process' => 'compression', 'polymer' => 'HDPE']);
    $before = count(learnt()['hive floor panel']['recent']);
    startRun();
    $learnt = learnt();
    expect($learnt)->not->toHaveKey($product->name)
        ->and(count($learnt['hive floor panel']['recent']))->toBe($before);
});

it('names causes that are looked for still, and forgets those that are closed', function (): void {
    $run = Run::query()->where('product_id', productNamed('entrance reducer')->id)
        ->where('status', RunState::FINISHED)->orderByDesc('started_at')->firstOrFail();
    $open = $this->signedIn()->postJson("/api/v1/runs/{$run->id}/cases", [
        'id' => fake_uuid(), 'piece' => null, 'defects' => [['id' => 'short_shot']],
    ])->assertCreated()->json();
    $cases = learnt()['entrance reducer']['cases'];
    expect(array_column($cases, 'id'))->toContain($open['id'])
        ->and($cases[0]['run_number'])->toBe($run->number);
    CaseLine::query()->create([
        'case_id' => $open['id'], 'kind' => 'closed', 'said' => [], 'by_id' => person()->id,
        'at' => CaseOf::query()->findOrFail($open['id'])->at,
    ]);
    expect(array_column(learnt()['entrance reducer']['cases'], 'id'))->not->toContain($open['id']);
});

it('says with what the next one opens, by whom and why', function (): void {
    $product = productNamed('hive floor panel');
    $newest = Recipe::query()->where('product_id', $product->id)->orderByDesc('id')->firstOrFail();
    $kept = Recipe::query()->create([
        'product_id' => $product->id, 'machine_id' => $newest->machine_id, 'version' => $newest->version + 1,
        'settings' => ['soak_min' => 4] + $newest->settings, 'note' => 'cold in the middle',
        'by_id' => person('jun')->id,
        'created_at' => now(),
    ]);
    expect(learnt()['hive floor panel']['opens_with'])->toMatchArray([
        'machine' => 'Anvil', 'version' => $kept->version, 'by' => 'Jun Asare', 'note' => 'cold in the middle',
    ]);
    $setUps = learntOf('hive floor panel')['set_ups'];
    expect($setUps[0]['version'])->toBe($kept->version)
        ->and($setUps[0]['good'] + $setUps[0]['bad'])->toBe(0)
        ->and(array_column($setUps[0]['changes'], 'becomes', 'setting'))->toHaveKey('soak_min', '4');
    expect($setUps[count($setUps) - 1]['changes'])->toBe([]);
});

it('draws the window over settings as they were really done, and says what the next would come to', function (): void {
    $of = learntOf('hive floor panel');
    $as = $of['window'];
    expect($as['x']['id'])->toBe('platen_c')
        ->and($as['y']['id'])->toBe('heat_min')
        ->and(count($as['runs']))->toBe($as['window']['runs'])
        ->and(count($as['runs']))->toBeGreaterThanOrEqual(8)
        ->and($as['window']['drawn'])->not->toBe([]);
    $point = $as['runs'][0];
    $run = Run::query()->findOrFail($point['id']);
    expect($run->done)->toHaveKey('heat_min')
        ->and($point['y'])->toEqualWithDelta($run->done['heat_min'], 1e-6)
        // What was planned is not what was done: a hand on its way to the button takes its time.
        ->and($run->done['heat_min'])->not->toEqualWithDelta($run->plan['heat_min'], 1e-6)
        ->and($as['y_planned'])->toEqualWithDelta($run->plan['heat_min'], 1e-6);
    $all = array_sum(array_map(static fn (array $r): int => $r['good'] + $r['bad'], $as['runs']));
    expect($as['window']['good'] + $as['window']['bad'])->toBe($all);
});

it('keeps of a run what was really done as soon as it is over, and not before', function (): void {
    expect(Run::query()->where('status', RunState::FINISHED)->whereNull('done')->count())->toBe(0);
    $run = startRun()->json('summary.id');
    expect(Run::query()->findOrFail($run)->done)->toBeNull();
});

it('charts what was measured piece by piece between what it has to be, and says what is not chance', function (): void {
    $charts = array_column(learntOf('hive floor panel')['charts'], null, 'figure.id');
    $byId = [];
    foreach (learntOf('hive floor panel')['charts'] as $chart) {
        $byId[$chart['figure']['id']] = $chart;
    }
    expect(array_keys($byId))->toBe(['mean_mm', 'range_mm', 'porosity_pct']);
    $mean = $byId['mean_mm'];
    $plan = Run::query()->where('product_id', productNamed('hive floor panel')->id)
        ->where('status', RunState::FINISHED)->orderByDesc('started_at')->firstOrFail()->plan;
    expect($mean['least'])->toEqualWithDelta($plan['nominal_mm'] - $plan['thickness_tolerance_mm'], 1e-9)
        ->and($mean['most'])->toEqualWithDelta($plan['nominal_mm'] + $plan['thickness_tolerance_mm'], 1e-9)
        ->and($mean['cpk'])->toBeGreaterThan(1.0)
        ->and($mean['fits'])->toStartWith(sprintf('Cpk %.2f, ', $mean['cpk']))
        ->and($mean['lcl'])->toBeLessThan($mean['centre'])
        ->and($mean['ucl'])->toBeGreaterThan($mean['centre']);
    // Nothing limits voids from below, and nothing says how many there may be.
    expect([$byId['porosity_pct']['least'], $byId['porosity_pct']['most'], $byId['porosity_pct']['cpk']])
        ->toBe([null, null, null]);
    $first = Inspection::query()->where('run_id', $mean['points'][0]['run_id'])->orderByDesc('id')->firstOrFail();
    expect($mean['points'][0]['value'])->toEqualWithDelta($first->figures['mean_mm'], 1e-9);
    // A press that was shimmed in between is no chance, and is said in words.
    $broken = array_merge(...array_column($byId['range_mm']['points'], 'broken'));
    expect($broken)->toContain('eight in a row on one side');
});

it('holds each process to what its own checks hold a piece to', function (): void {
    $tray = learntOf('syrup feeder tray')['charts'];
    $least = array_values(array_filter($tray, static fn (array $c): bool => $c['figure']['id'] === 'least_mm'));
    expect($least)->not->toBe([])->and($least[0]['most'])->toBeNull()->and($least[0]['least'])->toBeGreaterThan(0);
    $reducer = learntOf('entrance reducer')['charts'];
    // Clocked by the taps of every shot, not only of those that were weighed.
    $points = [];
    foreach ($reducer as $chart) {
        $points[$chart['figure']['id']] = count($chart['points']);
    }
    expect($points['seat_s'])->toBeGreaterThanOrEqual($points['mass_g']);
    foreach ($reducer as $chart) {
        if ($chart['figure']['id'] === 'full_pct') {
            expect($chart['least'])->toEqualWithDelta(98.0, 0.6)->and($chart['most'])->toEqualWithDelta(102.0, 0.6);
        }
    }
});

it('says nothing of a product without runs, and is not asked by who is not signed in', function (): void {
    $product = Product::factory()->create(['name' => 'never made', 'process' => 'compression', 'polymer' => 'HDPE']);
    $of = $this->signedIn()->getJson("/api/v1/learnt/{$product->id}")->assertOk()->json();
    expect($of['window'])->toBeNull()->and($of['charts'])->toBe([])->and($of['set_ups'])->toBe([]);
    $this->getJson('/api/v1/learnt/99999999')->assertNotFound();
    auth()->forgetGuards();
    app('auth')->forgetGuards();
});

it('asks as often for a hundred products as for one', function (): void {
    $count = static function (): int {
        DB::flushQueryLog();
        DB::enableQueryLog();
        learnt();
        DB::disableQueryLog();

        return count(DB::getQueryLog());
    };
    $few = $count();
    Product::factory()->count(60)->create(['process' => 'compression', 'polymer' => 'HDPE']);
    expect($count())->toBeLessThanOrEqual($few + 1);
});
