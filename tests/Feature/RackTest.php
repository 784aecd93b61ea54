<?php

declare(strict_types=1);

use App\Material\Models\LotMovement;
use App\Runs\Models\Run;

require_once __DIR__.'/../../core/tests/walk.php';

/** @return array{string, string} a run that has cut three strips, the first of them laid by, and one that is fed with that lot */
function stripsAndTheirInjector(): array
{
    $case = test();
    $made = $case->signedIn('maren')->postJson('/api/v1/products', [
        'name' => 'hot strips for the reducer', 'process' => 'extrusion', 'polymer' => 'PP', 'note' => '',
        'dimensions' => ['diameter_mm' => 25, 'feeds_bore_mm' => 38, 'feeds_melt_c' => 220, 'shot_g' => 40],
    ])->assertCreated()->json();
    $cutting = $case->signedIn()->postJson('/api/v1/runs', jobOf($made['name'], 'barrel', 'Adder', 'L-0106'))
        ->assertCreated()->json('summary.id');
    walkRun($cutting);
    foreach ([1, 2, 3] as $piece) {
        tell($cutting, [
            ['type' => 'piece_begun', 'data' => ['piece' => $piece]],
            ['type' => 'step_done', 'data' => ['step' => 'cut', 'piece' => $piece]],
        ])->assertJsonPath('refused', []);
    }
    tell($cutting, [
        ['type' => 'logged', 'data' => ['entry' => 'disposition', 'values' => ['verdict' => 'good'], 'piece' => 1]],
        ['type' => 'step_done', 'data' => ['step' => 'fed', 'piece' => 1]],
    ])->assertJsonPath('refused', []);
    $lot = Run::query()->findOrFail($cutting)->outputs()->firstOrFail()->lot;
    expect($lot?->form)->toBe('strip');
    $feeding = $case->postJson('/api/v1/runs', jobOf('entrance reducer', 'barrel', 'Heron', (string) $lot->code))
        ->assertCreated()->json('summary.id');

    return [$cutting, $feeding];
}

/** To where it is filled. */
function readyToFill(string $run): void
{
    tell($run, [
        ['type' => 'logged', 'data' => ['entry' => 'zones', 'values' => ['barrel_c' => 219, 'nozzle_c' => 220]]],
        ['type' => 'step_done', 'data' => ['step' => 'heat_up']],
    ])->assertJsonPath('refused', []);
}

it('takes a strip off one log and into another, once', function (): void {
    [$cutting, $feeding] = stripsAndTheirInjector();
    readyToFill($feeding);
    expect(array_column($this->getJson("/api/v1/runs/{$feeding}/rack")->assertOk()->json('items'), 'piece'))
        ->toBe([2, 3])
        ->and($this->getJson("/api/v1/runs/{$cutting}/rack")->json('items'))->toHaveCount(2);
    $take = ['id' => fake_uuid(), 'strip' => 2, 'piece' => null];
    expect(array_column($this->postJson("/api/v1/runs/{$feeding}/rack", $take)->assertOk()->json('items'), 'piece'))
        ->toBe([3]);
    // Sent twice it is taken once.
    $this->postJson("/api/v1/runs/{$feeding}/rack", $take)->assertOk();
    $loads = array_filter(
        Run::query()->findOrFail($feeding)->load('events.by')->state()->entries,
        static fn (array $e): bool => $e['entry'] === 'load',
    );
    expect($loads)->toHaveCount(1)
        ->and(array_values($loads)[0]['values']['mass_g'])->toEqual(40)
        ->and(array_values($loads)[0]['values']['feed_c'])->toBeGreaterThan(150)
        ->and((float) LotMovement::query()->where('run_id', $feeding)->sum('mass_g'))->toEqual(-40);
});

it('says it in both logs or in neither', function (): void {
    [$cutting, $feeding] = stripsAndTheirInjector();
    // Still heating up: nothing goes in, and the strip stays where it is.
    $this->postJson("/api/v1/runs/{$feeding}/rack", ['id' => fake_uuid(), 'strip' => 2])
        ->assertStatus(422)->assertJsonPath('error.field', 'strip');
    expect($this->getJson("/api/v1/runs/{$cutting}/rack")->json('items'))->toHaveCount(2)
        ->and(Run::query()->findOrFail($cutting)->outputs()->count())->toBe(1);
    readyToFill($feeding);
    $this->postJson("/api/v1/runs/{$feeding}/rack", ['id' => fake_uuid(), 'strip' => 2])->assertOk();
    // Who comes second with a hand for the same strip loads nothing.
    $this->postJson("/api/v1/runs/{$feeding}/rack", ['id' => fake_uuid(), 'strip' => 2])->assertStatus(422);
    expect((float) LotMovement::query()->where('run_id', $feeding)->sum('mass_g'))->toEqual(-40);
});

it('has no rack where no strips are cut', function (): void {
    $id = $this->signedIn()->postJson('/api/v1/runs', jobOf('entrance reducer', 'barrel', 'Heron', 'L-0106'))
        ->assertCreated()->json('summary.id');
    expect($this->getJson("/api/v1/runs/{$id}/rack")->assertOk()->json('items'))->toBe([]);
    $this->postJson("/api/v1/runs/{$id}/rack", ['id' => fake_uuid(), 'strip' => 1])->assertStatus(422);
});
