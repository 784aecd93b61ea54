<?php

declare(strict_types=1);

use App\Material\Models\Identification;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Models\Source;
use App\Shop\Models\Machine;
use App\Shop\Models\PolymerOverride;
use Illuminate\Testing\TestResponse;

/** Something delivered as anybody would, from an accepted source. */
function delivered(mixed $test, float $grams, array $over = []): array
{
    return $test->postJson('/api/v1/lots', $over + [
        'id' => fake_uuid(),
        'source_id' => Source::query()->where('name', 'Market co-op')->value('id'),
        'polymer' => 'HDPE',
        'form' => 'flake',
        'colour' => 'green',
        'swatch' => '#4f8a3c',
        'mass_g' => $grams,
    ])->assertCreated()->json();
}

function on(mixed $test, int $lot, string $kind, array $what): TestResponse
{
    return $test->postJson("/api/v1/lots/{$lot}/acts", ['id' => fake_uuid(), 'kind' => $kind] + $what);
}

/** @return list<string> what the gate has against a panel */
function against(mixed $test, array $over): array
{
    return array_column($test->postJson('/api/v1/plans', panel($over))->assertOk()->json('safety.blocks'), 'id');
}

it('puts a mass right that was meant in kilograms, once, by an act of its own', function (): void {
    $this->signedIn();
    $lot = delivered($this, 12);
    $line = $this->getJson("/api/v1/lots/{$lot['id']}")->json('movements.0');
    expect($line['meant_kg'])->toBeTrue();
    on(
        $this,
        $lot['id'],
        'put_right',
        ['act_id' => $line['act_id']],
    )->assertCreated()->assertJsonPath('items.0.mass_g', 12000);
    on(
        $this,
        $lot['id'],
        'put_right',
        ['act_id' => $line['act_id']],
    )->assertStatus(422)->assertJsonPath('error.field', 'act_id');
    $lines = $this->getJson("/api/v1/lots/{$lot['id']}")->json('movements');
    expect(array_column($lines, 'mass_g'))->toEqual([11988.0, 12.0])
        ->and(array_column($lines, 'meant_kg'))
        ->toBe([false, false])
        ->and($lines[0]['kind'])
        ->toBe('put_right');
});

it('puts both ends of a split right, and nothing that a lot does not hold', function (): void {
    $this->signedIn();
    $whole = delivered($this, 25000);
    $made = on($this, $whole['id'], 'split', ['mass_g' => 2])->assertCreated()->json('items.0');
    $act = LotMovement::query()->where('lot_id', $made['id'])->value('act_id');
    on($this, $made['id'], 'put_right', ['act_id' => $act])->assertCreated();
    expect((float) lot($made['code'])->held_g)->toEqual(2000.0)
        ->and((float) lot($whole['code'])->held_g)
        ->toEqual(23000.0);
    $small = delivered($this, 900);
    $bit = on($this, $small['id'], 'split', ['mass_g' => 2])->json('items.0');
    on(
        $this,
        $bit['id'],
        'put_right',
        ['act_id' => LotMovement::query()->where('lot_id', $bit['id'])->value('act_id')],
    )->assertStatus(422)->assertJsonPath('error.field', 'act_id');
    $big = delivered($this, 5000);
    on(
        $this,
        $big['id'],
        'put_right',
        ['act_id' => LotMovement::query()->where('lot_id', $big['id'])->value('act_id')],
    )->assertStatus(422);
});

it('takes a lot back to unknown when its name is doubted, and keeps it cold', function (): void {
    $this->signedIn();
    $lot = delivered($this, 20000);
    on($this, $lot['id'], 'doubt', ['reason' => ''])->assertStatus(422);
    on($this, $lot['id'], 'doubt', ['reason' => 'it smells of vinyl'])->assertCreated()
        ->assertJsonPath('items.0.polymer', 'UNKNOWN')
        ->assertJsonPath('items.0.never_hot', true);
    on($this, $lot['id'], 'doubt', ['reason' => 'again'])->assertStatus(422);
    expect(against($this, ['lot_id' => $lot['id'], 'polymer' => 'HDPE']))->toContain('unidentified_polymer');
});

it('knows at the gate what the charge weighs, what the lot holds, its form, and what the bed takes', function (): void {
    $this->signedIn();
    expect(against($this, []))->toBe([])
        ->and(against($this, ['lot_id' => delivered($this, 2)['id']]))->toBe(['stock_short'])
        ->and(against($this, ['lot_id' => delivered($this, 9000, ['form' => 'item'])['id']]))->toBe(['form_unfit'])
        ->and(against($this, ['settings' => ['length_mm' => 900, 'width_mm' => 400]]))->toBe(['too_large'])
        ->and(against($this, ['settings' => ['length_mm' => 540, 'width_mm' => 690]]))->toBe([]);
    $id = fake_uuid();
    $this->postJson(
        '/api/v1/charges',
        ['id' => $id, 'polymer' => 'HDPE', 'total_g' => 2165, 'scale_g' => 1],
    )->assertCreated();
    $this->postJson(
        "/api/v1/charges/{$id}/weighings",
        ['id' => fake_uuid(), 'component' => 0, 'lot_id' => lot('L-0101')->id, 'mass_g' => 2165, 'how' => 'scale'],
    )->assertCreated();
    $this->postJson("/api/v1/charges/{$id}/finish", ['id' => fake_uuid()])->assertCreated();
    expect(against($this, ['charge_id' => $id]))->toBe([])->and(against(
        $this,
        ['charge_id' => $id, 'settings' => ['thickness_mm' => 20]],
    ))->toBe(['charge_mass']);
    // The run names a lot that is in its charge.
    $this->postJson(
        '/api/v1/runs',
        panel(['charge_id' => $id, 'lot_id' => lot('L-0102')->id]),
    )->assertStatus(422)->assertJsonPath('error.field', 'lot_id');
    $this->postJson('/api/v1/runs', panel(['charge_id' => $id]))->assertCreated();
});

it('starts on the word of the one who starts, and on no other', function (): void {
    $body = panel();
    $this->signedIn('teodor')
        ->postJson('/api/v1/runs', $body)
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'confirmed_by');
    $this->postJson('/api/v1/runs', array_diff_key($body, ['confirmed_by' => 0]))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'confirmed_by');
    $this->postJson('/api/v1/runs', ['confirmed_by' => person('teodor')->id] + $body)
        ->assertCreated()
        ->assertJsonPath('events.0.by', 'Teodor Blum');
});

it('takes evidence only in its own step: no verdict, check or flat sheet while the press warms up', function (): void {
    $body = panel();
    $this->signedIn()->postJson('/api/v1/runs', $body)->assertCreated();
    $points = array_fill(0, 9, ['x_mm' => 1, 'y_mm' => 1, 't_mm' => 8]);
    $refused = $this->postJson("/api/v1/runs/{$body['id']}/events", ['events' => [
        entry('logged', ['entry' => 'disposition', 'values' => ['verdict' => 'good']]),
        entry('logged', ['entry' => 'inspection', 'values' => ['mass_g' => 2100, 'points' => $points]]),
        entry('logged', ['entry' => 'cold_pressure', 'values' => ['gauge_bar' => 40]]),
        entry('confirmed', ['step' => 'open', 'item' => 'flat']),
        entry('logged', ['entry' => 'platen', 'values' => ['top_c' => 185, 'low_c' => 185]]),
    ]])->assertOk()->json();
    expect(array_column($refused['refused'], 'field'))->toBe(['data.entry', 'data.entry', 'data.entry', 'data.step'])
        ->and($refused['stored'])
        ->toHaveCount(1)
        ->and($refused['run']['summary']['verdict'])
        ->toBeNull()
        ->and($refused['refused'][0]['message'])->toContain('Good or scrap');
});

it('gives a dryer one air, and certifies nothing dried in cold air', function (): void {
    $this->signedIn();
    $attic = Machine::query()->where('name', 'Attic')->value('id');
    $load = fn (array $lot, array $over = []): TestResponse => $this->postJson(
        '/api/v1/drying',
        $over + ['id' => fake_uuid(), 'machine_id' => $attic, 'lot_id' => $lot['id']],
    );
    // PA6 stands in it at 80 °C since this morning.
    $load(delivered(
        $this,
        5000,
        ['polymer' => 'PET', 'form' => 'pellet'],
    ))->assertStatus(422)->assertJsonPath('error.field', 'air_c');
    $load(delivered(
        $this,
        5000,
        ['polymer' => 'ABS', 'form' => 'pellet'],
    ))->assertCreated()->assertJsonPath('air_c', 80);
    $load(
        delivered($this, 5000, ['polymer' => 'PMMA', 'form' => 'pellet']),
        ['air_c' => 84],
    )->assertStatus(422)->assertJsonPath('error.field', 'air_c');
    $cold = delivered($this, 5000, ['polymer' => 'PC', 'form' => 'pellet']);
    $load($cold, ['air_c' => 20])->assertStatus(422)->assertJsonPath('error.field', 'air_c');
    $this->postJson(
        '/api/v1/drying',
        ['preview' => true, 'lot_id' => $cold['id'], 'air_c' => 20],
    )->assertOk()->assertJsonPath('hours', null)->assertJsonPath('ready_at', null);
});

it('lists for a lead what older rules let in, and changes none of it', function (): void {
    $this->signedIn();
    $word = delivered($this, 3000, ['polymer' => 'TPU']);
    $this->getJson('/api/v1/review')->assertForbidden();
    $old = Lot::query()->create([
        'code' => 'L-88',
        'source_id' => Source::query()->value('id'),
        'polymer' => 'PET',
        'form' => 'flake',
        'colour' => 'clear',
        'swatch' => '#dfe8ea',
    ]);
    LotMovement::query()->create([
        'lot_id' => $old->id,
        'mass_g' => 900,
        'kind' => 'delivered',
        'reason' => '',
        'by_id' => person()->id,
        'at' => now(),
    ]);
    PolymerOverride::query()->create([
        'polymer' => 'HDPE',
        'path' => 'process.compression.platen_c.min',
        'value' => 250,
        'reason' => 'by an older version',
        'by_id' => person('maren')->id,
    ]);
    Machine::query()->where('name', 'Heron')->update(['last_polymer' => 'POM']);
    $this->signedIn('maren');
    app()->forgetScopedInstances();
    $says = array_column($this->getJson('/api/v1/review')->assertOk()->json('items'), 'says', 'name');
    expect($says)->toHaveKeys(["Lot {$word['code']}", 'Lot L-88', 'HDPE', 'Heron'])
        ->and($says['HDPE'])
        ->toContain('out of order')
        ->and($says['Heron'])
        ->toContain('POM')
        ->and(lot('L-88')->polymer)
        ->toBe('PET');
});

it('believes a look-alike whose tests tell, and doubts one whose tests do not', function (
    array $evidence,
    bool $listed,
): void {
    $this->signedIn('maren');
    $lot = delivered($this, 3000, ['polymer' => 'UNKNOWN', 'form' => 'item']);
    $id = fake_uuid();
    Identification::query()->create([
        'id' => $id,
        'evidence' => $evidence,
        'decision' => 'TPU',
        'probability' => 0.99,
        'by_id' => person()->id,
        'at' => now(),
    ]);
    on(
        $this,
        $lot['id'],
        'identify',
        ['identification_id' => $id],
    )->assertCreated()->assertJsonPath('items.0.polymer', 'TPU');
    expect(in_array(
        "Lot {$lot['code']}",
        array_column($this->getJson('/api/v1/review')->json('items'), 'name'),
        true,
    ))->toBe($listed);
})->with([
    'told from soft PVC' => [
        [
            ['test' => 'item_kind', 'result' => 'soft grip, sole or mat'],
            ['test' => 'density', 'g_cm3' => 1.12, 'se' => 0.01],
            ['test' => 'feel', 'result' => 'rubbery'],
            ['test' => 'freezer', 'result' => 'still soft'],
            ['test' => 'salt_1_20', 'result' => 'floats'],
            ['test' => 'crease', 'result' => 'springs back'],
            ['test' => 'shave', 'result' => 'curls'],
        ],
        false,
    ],
    'a hose' => [
        [
            ['test' => 'water', 'result' => 'sinks'],
            ['test' => 'feel', 'result' => 'rubbery'],
            ['test' => 'crease', 'result' => 'springs back'],
            ['test' => 'item_kind', 'result' => 'pipe, duct or window profile'],
        ],
        true,
    ],
]);

it('refuses an own value that contradicts the others, and lets an old contradiction be mended', function (): void {
    $set = fn (string $path, float $value): TestResponse => $this->postJson(
        '/api/v1/polymers/HDPE/overrides',
        ['path' => $path, 'value' => $value, 'reason' => 'our grade'],
    );
    $this->signedIn('maren');
    $set('process.compression.platen_c.min', 250)->assertStatus(422)->assertJsonPath('error.field', 'value');
    $set('demould_c.typical', 190)->assertStatus(422);
    $set('bulk_density_flake_g_cm3.typical', 1.2)->assertStatus(422);
    $set('process.compression.platen_c.min', 170)->assertCreated();
    PolymerOverride::query()->create([
        'polymer' => 'HDPE',
        'path' => 'process.compression.platen_c.min',
        'value' => 250,
        'reason' => 'by an older version',
        'by_id' => person('maren')->id,
    ]);
    app()->forgetScopedInstances();
    $set('process.compression.platen_c.min', 172)->assertCreated();
});

it('takes what was found by any of its names, and stops the run for it', function (string $found, string $block): void {
    $this->signedIn();
    $lot = delivered($this, 20000);
    on($this, $lot['id'], 'contamination', ['found' => $found, 'found_g' => 3, 'sample_g' => 1000])->assertCreated();
    expect(against($this, ['lot_id' => $lot['id']]))->toBe([$block]);
})->with([
    ['vinyl', 'contaminated'],
    ['PVC-P', 'contaminated'],
    ['UNKNOWN', 'contaminated'],
    ['OTHER', 'contaminated'],
    ['green stuff', 'found_unknown'],
]);
