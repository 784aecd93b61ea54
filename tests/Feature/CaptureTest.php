<?php

declare(strict_types=1);

use App\Runs\Models\Run;
use App\Shop\Models\Machine;

const ON_THE_CONTROLLER = [
    'stroke_mm' => 40, 'hydraulic_bar' => 90, 'hold_hydraulic_bar' => 45, 'back_hydraulic_bar' => 6, 'speed_mm_s' => 60,
    'rpm' => 120, 'cushion_mm' => 4, 'changeover_mm' => 8, 'clamp_kn' => 220,
];

/** A run of the demo's screw machine that made good parts. */
function ofTheScrew(): Run
{
    return Run::query()->whereHas('stations.machine', static fn ($m) => $m->where('name', 'Wren'))
        ->whereHas('goodPieces')->orderByDesc('number')->firstOrFail();
}

it('keeps what a controller shows once a part was good, once per id', function (): void {
    $run = ofTheScrew();
    $this->signedIn('jun');
    $asked = $this->getJson("/api/v1/runs/{$run->id}/capture")->assertOk()->json();
    expect($asked['fields']['properties'])->toHaveKeys(['stroke_mm', 'rpm', 'clamp_kn'])->and($asked['kept'])->toBe([]);
    $keep = ['id' => fake_uuid(), 'shown' => ON_THE_CONTROLLER, 'pictures' => []];
    $kept = $this->postJson("/api/v1/runs/{$run->id}/capture", $keep)->assertCreated()->json();
    expect($this->postJson("/api/v1/runs/{$run->id}/capture", $keep)->assertCreated()->json('id'))->toBe($kept['id']);
    expect($this->getJson("/api/v1/products/{$run->product_id}/captures")->assertOk()->json('items'))->toHaveCount(1)
        ->and($kept['shown']['rpm'])->toEqual(120)
        ->and($kept['run_number'])->toBe($run->number);
    // Somebody else's of the same id is a conflict, not a second telling.
    $this->signedIn('teodor')->postJson("/api/v1/runs/{$run->id}/capture", $keep)->assertStatus(409);
});

it('refuses what no controller shows, by the number', function (array $over, string $field): void {
    $run = ofTheScrew();
    $this->signedIn('jun')->postJson("/api/v1/runs/{$run->id}/capture", [
        'id' => fake_uuid(), 'pictures' => [], 'shown' => $over + ON_THE_CONTROLLER,
    ])->assertStatus(422)->assertJsonPath('error.field', $field);
})->with([
    [['gold' => 1], 'shown.gold'],
    [['stroke_mm' => -1], 'shown.stroke_mm'],
    [['rpm' => 'fast'], 'shown.rpm'],
    [['rpm' => null], 'shown.rpm'],
]);

it('is carried to another machine and to a printed mould from what was kept', function (): void {
    $run = ofTheScrew();
    $this->signedIn('maren');
    $id = $this->postJson(
        "/api/v1/runs/{$run->id}/capture",
        ['id' => fake_uuid(), 'shown' => ON_THE_CONTROLLER, 'pictures' => []],
    )
        ->assertCreated()->json('id');
    $wren = Machine::query()->where('name', 'Wren')->firstOrFail();
    // Onto a machine of the same facts it is what it was.
    $same = $this->getJson("/api/v1/captures/{$id}/onto?machine_id={$wren->id}")->assertOk()->json('values');
    foreach ($same as $name => $value) {
        expect($value)->toEqualWithDelta(ON_THE_CONTROLLER[$name], 1e-3);
    }
    // Offered are machines that show such numbers, and moulds that say what they bear; not the one that it was kept of.
    $this->postJson('/api/v1/machines', ['name' => 'Resin Dormouse', 'kind' => 'injection_mould', 'facts' => [
        'allowable_mpa' => ['value' => 30, 'origin' => 'plate'],
        'land_area_cm2' => ['value' => 20, 'origin' => 'measured'],
        'projected_area_cm2' => ['value' => 12, 'origin' => 'measured'],
    ]])->assertCreated();
    $resin = machineNamed('Resin Dormouse');
    $kept = $this->getJson("/api/v1/products/{$run->product_id}/captures")->assertOk()->json('items.0');
    expect($kept['onto'])->toBe([['id' => $resin, 'name' => 'Resin Dormouse', 'as' => 'mould']])
        ->and($kept['units']['hydraulic_bar'])->toBe('bar')
        ->and($kept['units']['clamp_kn'])->toBe('kN');
    $soft = $this->getJson("/api/v1/captures/{$id}/onto?mould_id={$resin}")->assertOk()->json('values');
    expect($soft['hydraulic_bar'])->toBeLessThan(90)->and($soft['clamp_kn'])->toEqualWithDelta(40, 1e-3);
    $this->getJson("/api/v1/captures/{$id}/onto?machine_id=".machineNamed('Heron'))->assertStatus(422);
    $this->getJson("/api/v1/captures/{$id}/onto")->assertStatus(422);
    $this->getJson('/api/v1/captures/'.fake_uuid().'/onto?machine_id=1')->assertNotFound();
});

it('is asked of no press, and of no run that made nothing good', function (): void {
    $press = Run::query()->whereHas('product', static fn ($p) => $p->where('process', 'compression'))->firstOrFail();
    $this->signedIn('jun');
    expect($this->getJson("/api/v1/runs/{$press->id}/capture")->assertOk()->json('fields'))->toBeNull();
    $this->postJson("/api/v1/runs/{$press->id}/capture", ['id' => fake_uuid(), 'shown' => ['a' => 1], 'pictures' => []])
        ->assertStatus(422);
});
