<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Runs\Models\Run;
use App\Runs\Models\RunOutput;

require_once __DIR__.'/../../core/tests/walk.php';

/** A run of shots with one good and one bad, and what it left. */
function shotsWithScrap(array $over = []): string
{
    $case = test();
    $id = $case->postJson('/api/v1/runs', jobOf('entrance reducer', 'barrel', 'Heron', 'L-0106', $over))
        ->assertCreated()->json('summary.id');
    walkRun($id);
    foreach (['good', 'scrap'] as $i => $verdict) {
        tell($id, [['type' => 'piece_begun', 'data' => ['piece' => $i + 1]]])->assertJsonPath('refused', []);
        walkRun($id, $i + 1, $verdict);
    }
    tell($id, [['type' => 'closing', 'data' => []]])->assertJsonPath('refused', []);
    tell($id, [['type' => 'logged', 'data' => ['entry' => 'purge', 'values' => ['what' => 'smooth', 'mass_g' => 30]]]])
        ->assertJsonPath('refused', []);
    walkRun($id);

    return $id;
}

/** @return array<string, array<string, mixed>> by what it is */
function leftoversOf(string $run): array
{
    return array_column(test()->getJson("/api/v1/runs/{$run}/leftovers")->assertOk()->json('items'), null, 'id');
}

it('puts what a run left into a container of its own, once, and hotter than what went in', function (): void {
    $this->signedIn();
    $id = shotsWithScrap();
    $left = leftoversOf($id);
    $plan = Run::query()->findOrFail($id)->plan;
    expect($left['scrap']['mass_g'])->toEqualWithDelta($plan['part_mass_g'] * $plan['parts_per_piece'], 0.1)
        ->and($left['scrap']['kept'])->toBe([])
        ->and($left['purge']['mass_g'])->toBeGreaterThan(0);
    $keep = ['id' => fake_uuid(), 'leftover' => 'scrap', 'mass_g' => 7.5, 'location' => 'Rack B1'];
    $lot = $this->postJson("/api/v1/runs/{$id}/leftovers", $keep)->assertCreated()->json();
    $from = lot('L-0106');
    expect($lot['polymer'])->toBe('PP')
        ->and($lot['form'])->toBe('offcut')
        ->and($lot['mass_g'])->toEqual(7.5)
        ->and($lot['location'])->toBe('Rack B1')
        ->and($lot['generation'])->toBe($from->generation + 1)
        ->and($lot['source']['id'])->toBe($from->source_id);
    // Sent twice, it is kept once.
    expect($this->postJson("/api/v1/runs/{$id}/leftovers", $keep)->assertCreated()->json('id'))->toBe($lot['id'])
        ->and(RunOutput::query()->where('run_id', $id)->where('kind', 'lot')->count())->toBe(1)
        ->and(leftoversOf($id)['scrap']['kept'][0]['lot'])->toBe($lot['code']);
});

it('keeps nothing that a run did not leave, and no more than it took', function (): void {
    $this->signedIn();
    $id = shotsWithScrap();
    $keep = static fn (string $what, float $grams): array => [
        'id' => fake_uuid(), 'leftover' => $what, 'mass_g' => $grams,
    ];
    $this->postJson("/api/v1/runs/{$id}/leftovers", $keep('gold', 5))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'leftover');
    $this->postJson("/api/v1/runs/{$id}/leftovers", $keep('scrap', 1e6))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'mass_g');
    $this->postJson("/api/v1/runs/{$id}/leftovers", $keep('scrap', 0))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'mass_g');
    $took = (float) Run::query()->findOrFail($id)->materials->sum('mass_g');
    $this->postJson("/api/v1/runs/{$id}/leftovers", $keep('scrap', $took))->assertCreated();
    $this->postJson("/api/v1/runs/{$id}/leftovers", $keep('purge', 0.5 * $took))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'mass_g');
    $this->postJson('/api/v1/runs/'.fake_uuid().'/leftovers', $keep('scrap', 1))->assertNotFound();
});

it('is followed from the sack through the run to what is made of it again, and back', function (): void {
    $this->signedIn();
    $first = shotsWithScrap();
    $tub = $this->postJson("/api/v1/runs/{$first}/leftovers", [
        'id' => fake_uuid(), 'leftover' => 'purge', 'mass_g' => leftoversOf($first)['purge']['mass_g'],
    ])->assertCreated()->json();
    $sack = lot('L-0106');
    $forward = $this->getJson("/api/v1/lots/{$sack->id}/trace")->assertOk()->json();
    $nodes = array_column($forward['nodes'], null, 'id');
    expect($nodes)->toHaveKeys(["run:{$first}", "lot:{$tub['id']}"])
        ->and($nodes["lot:{$tub['id']}"]['share'])->toEqualWithDelta(1.0, 1e-6)
        ->and($nodes["lot:{$tub['id']}"]['column'])->toBeGreaterThan($nodes["run:{$first}"]['column']);
    // Shredded and run again: the sack is found behind it.
    $this->postJson("/api/v1/lots/{$tub['id']}/acts", [
        'id' => fake_uuid(), 'kind' => 'shred', 'mass_in_g' => $tub['mass_g'], 'mass_out_g' => $tub['mass_g'] - 0.5,
        'location' => 'Rack A1',
    ])->assertSuccessful();
    $flakeLot = Lot::query()->where('form', 'flake')->orderByDesc('id')->firstOrFail();
    expect($flakeLot->generation)->toBe($tub['generation'], 'it was counted when it came out of the machine');
    $run = $this->getJson("/api/v1/runs/{$first}/trace")->assertOk()->json('nodes');
    expect(array_column($run, 'id'))->toContain("lot:{$sack->id}")->not->toContain("lot:{$tub['id']}");
    $made = $this->getJson("/api/v1/runs/{$first}/prov.json")->assertOk()->json('entity');
    expect(array_column($made, 'prov:label'))->toContain($tub['code']);
});

it('is of a run its share, where the run took of other lots too', function (): void {
    $this->signedIn();
    $id = shotsWithScrap();
    $sack = lot('L-0106');
    $own = -(float) LotMovement::query()->where('run_id', $id)->where('lot_id', $sack->id)->sum('mass_g');
    LotMovement::query()->create([
        'lot_id' => lot('L-0101')->id, 'run_id' => $id, 'mass_g' => -$own, 'kind' => 'drawn',
        'reason' => 'a second lot',
        'by_id' => person()->id, 'at' => now(),
    ]);
    $nodes = array_column($this->getJson("/api/v1/lots/{$sack->id}/trace")->assertOk()->json('nodes'), null, 'id');
    expect($nodes["run:{$id}"]['share'])->toEqualWithDelta(0.5, 1e-6)
        ->and($nodes["run:{$id}"]['sure'])->toBeFalse()
        ->and($nodes["run:{$id}"]['grams'])->toEqualWithDelta($own, 0.1);
});

it('asks for a sign-in', function (): void {
    $this->getJson('/api/v1/runs/'.fake_uuid().'/leftovers')->assertUnauthorized();
});
