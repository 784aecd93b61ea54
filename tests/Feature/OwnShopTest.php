<?php

declare(strict_types=1);

use App\Shop\Models\Machine;
use App\Shop\Models\MachineFact;
use App\Shop\Models\Product;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** @return array<string, mixed> a lever of the shop's own */
function wagtail(array $over = []): array
{
    return array_replace_recursive([
        'name' => 'Wagtail',
        'kind' => 'plunger_injector',
        'facts' => [
            'barrel_diameter_mm' => ['value' => 32, 'origin' => 'measured'],
            'barrel_length_mm' => ['value' => 160, 'origin' => 'measured'],
            'max_c' => ['value' => 300, 'origin' => 'plate'],
            'heater_w' => ['value' => null],
        ],
    ], $over);
}

it('lists the kinds of machines with what can be known of each', function (): void {
    $kinds = array_column($this->signedIn()->getJson('/api/v1/machine-kinds')->assertOk()->json('items'), null, 'id');
    expect(array_keys($kinds))
        ->toContain('hot_press', 'cold_press', 'plunger_injector', 'extruder', 'vacuum_former', 'dryer')
        ->and($kinds['extruder']['facts']['throughput_kg_h']['x-unit'])->toBe('kg/h')
        ->and($kinds['dryer']['facts'])->toBe([]);
});

it('says how a fact is said where one comes bare, and names that of the machine that a plan refuses', function (): void {
    $this->signedIn('maren')->postJson('/api/v1/machines', ['facts' => ['max_c' => 300]] + wagtail())
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'facts.max_c')
        ->assertJsonPath('error.message', fn (string $says): bool => str_contains($says, '{"value": 2.2, "origin": "plate"}'));
    $narrow = ['facts' => ['barrel_diameter_mm' => ['value' => 0.5], 'barrel_length_mm' => ['value' => 160]]];
    $made = $this->postJson('/api/v1/machines', $narrow + wagtail())->assertCreated()->json('machine.id');
    $this->postJson('/api/v1/plans', [
        'product_id' => Product::query()->where('name', 'entrance reducer')->value('id'),
        'machines' => ['barrel' => $made],
        'settings' => [],
    ])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'machines.barrel.barrel_diameter_mm')
        ->assertJsonPath('error.message', 'must be at least 1 mm');
});

it('takes a machine from a lead, with where each fact comes from, and plans on it', function (): void {
    $this->signedIn('ines')->postJson('/api/v1/machines', wagtail())->assertStatus(403);
    $made = $this->signedIn('maren')->postJson('/api/v1/machines', wagtail())->assertCreated()->json();
    $log = array_column($made['log'], null, 'name');
    expect($made['machine']['facts'])->toEqual(['barrel_diameter_mm' => 32, 'barrel_length_mm' => 160, 'max_c' => 300])
        ->and($log['max_c'])->toMatchArray(['origin' => 'plate', 'by' => 'Maren Okafor'])
        // Not known is said, and is no number for the plan.
        ->and($log['heater_w'])->toMatchArray(['origin' => 'unknown', 'value' => null]);
    $plan = $this->postJson('/api/v1/plans', [
        'product_id' => Product::query()->where('name', 'entrance reducer')->value('id'),
        'machines' => ['barrel' => $made['machine']['id']],
    ])->assertOk()->json('plan');
    expect(array_column($plan['unknowns'], 'fact'))->toContain('power and mass of the barrel')
        ->and(array_column($plan['checks'], 'has', 'id')['barrel'])->toBe(300);
});

it('refuses a machine that is none, by the field', function (array $over, string $field): void {
    $this->signedIn('maren')->postJson('/api/v1/machines', wagtail($over))
        ->assertStatus(422)
        ->assertJsonPath('error.field', $field);
    expect(Machine::query()->where('name', 'Wagtail')->exists())->toBeFalse();
})->with([
    [['kind' => 'kettle'], 'kind'],
    [['name' => 'Heron'], 'name'],
    [['facts' => ['barrel_diameter_mm' => ['value' => -3]]], 'facts.barrel_diameter_mm'],
    [['facts' => ['barrel_diameter_mm' => ['value' => 'wide']]], 'facts.barrel_diameter_mm'],
    [['facts' => ['horses' => ['value' => 3]]], 'facts.horses'],
    [['facts' => ['max_c' => ['value' => 300, 'origin' => 'hearsay']]], 'facts.max_c.origin'],
]);

it('keeps what was said before, and lets nobody talk over another unseen', function (): void {
    $made = $this->signedIn('maren')->postJson('/api/v1/machines', wagtail())->json();
    $url = "/api/v1/machines/{$made['machine']['id']}/facts";
    $better = ['after' => $made['after'], 'note' => 'calliper', 'facts' => ['barrel_diameter_mm' => ['value' => 32.4]]];
    $known = $this->postJson($url, $better)->assertOk()->json();
    expect($known['machine']['facts']['barrel_diameter_mm'])->toBe(32.4)
        ->and($known['machine']['facts']['max_c'])->toBe(300)
        ->and(array_column(array_filter(
            $known['log'],
            static fn (array $f): bool => $f['name'] === 'barrel_diameter_mm',
        ), 'value'))->toBe([32, 32.4]);
    $this->postJson($url, $better)->assertStatus(422)->assertJsonPath('error.field', 'after');
    $this->postJson($url, ['after' => $known['after'], 'facts' => ['max_c' => ['value' => null]]])
        ->assertOk()
        ->assertJsonMissingPath('machine.facts.max_c');
    $this->signedIn('ines')->postJson($url, $better)->assertStatus(403);
    expect(static fn () => DB::transaction(static fn () => MachineFact::query()->update(['value' => 1])))
        ->toThrow(Illuminate\Database\QueryException::class);
});

it('takes no fact that contradicts what is known of the machine already', function (): void {
    $made = $this->signedIn('maren')->postJson('/api/v1/machines', [
        'name' => 'Flint',
        'kind' => 'hot_press',
        'facts' => ['heater_kw' => ['value' => 2]],
    ])->assertCreated()->json();
    $say = fn (array $facts): TestResponse => $this->postJson(
        "/api/v1/machines/{$made['machine']['id']}/facts",
        ['after' => $made['after'], 'facts' => $facts],
    );
    $say(['loss_kw' => ['value' => 2.5]])->assertStatus(422)->assertJsonPath('error.field', 'facts.heater_kw');
    expect(MachineFact::query()->where('machine_id', $made['machine']['id'])->count())->toBe(1);
    // Both at once, or that it is not known, are another matter.
    $say(['loss_kw' => ['value' => 2.5], 'heater_kw' => ['value' => 3]])->assertOk();
});

it('retires a machine that is free, and brings it back', function (): void {
    startRun();
    $anvil = machineNamed('Anvil');
    $this->signedIn('maren')->postJson("/api/v1/machines/{$anvil}/retire", ['retired' => true])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'retired');
    $heron = machineNamed('Heron');
    $names = fn (): array => array_column($this->getJson('/api/v1/machines')->json('items'), 'name');
    $this->postJson("/api/v1/machines/{$heron}/retire", ['retired' => true])->assertOk();
    expect($names())->not->toContain('Heron')
        ->and(array_column($this->getJson('/api/v1/floor')->json('lanes'), 'machine'))->not->toContain('Heron');
    $this->postJson("/api/v1/machines/{$heron}/retire", ['retired' => false])->assertOk();
    expect($names())->toContain('Heron');
    $this->signedIn('jun')->postJson("/api/v1/machines/{$heron}/retire", ['retired' => true])->assertStatus(403);
});

/** @return array<string, mixed> */
function perch(array $over = []): array
{
    return array_replace_recursive([
        'name' => 'landing perch',
        'process' => 'injection',
        'polymer' => 'PP',
        'dimensions' => ['part_volume_cm3' => 6, 'cavities' => 2, 'thickness_mm' => 2, 'flow_length_mm' => null],
        'note' => 'Two in a shot.',
    ], $over);
}

it('takes a product from a lead with what its process asks, and plans it at once', function (): void {
    $this->signedIn('teodor')->postJson('/api/v1/products', perch())->assertStatus(403);
    $made = $this->signedIn('maren')->postJson('/api/v1/products', perch())->assertCreated()->json();
    expect($made['dimensions'])->toEqual(['part_volume_cm3' => 6, 'cavities' => 2, 'thickness_mm' => 2]);
    $this->postJson('/api/v1/plans', ['product_id' => $made['id'], 'machines' => ['barrel' => machineNamed('Heron')]])
        ->assertOk()
        ->assertJsonPath('settings.part_volume_cm3', 6);
});

it('refuses a product that is none, by the field', function (array $over, string $field): void {
    $this->signedIn('maren')->postJson('/api/v1/products', perch($over))
        ->assertStatus(422)
        ->assertJsonPath('error.field', $field);
})->with([
    [['name' => 'entrance reducer'], 'name'],
    [['process' => 'smelting'], 'process'],
    [['polymer' => 'XYZ'], 'polymer'],
    [['polymer' => 'UNKNOWN'], 'polymer'],
    [['dimensions' => ['thickness_mm' => 'thick']], 'dimensions.thickness_mm'],
    [['dimensions' => ['thickness_mm' => -1]], 'dimensions.thickness_mm'],
    [['dimensions' => ['feathers' => 2]], 'dimensions.feathers'],
]);

it('changes a product that nobody has changed meanwhile, and leaves its process', function (): void {
    $made = $this->signedIn('maren')->postJson('/api/v1/products', perch())->json();
    $url = "/api/v1/products/{$made['id']}";
    $thicker = perch(['dimensions' => ['thickness_mm' => 2.4]]) + ['after_revision' => $made['revision']];
    $kept = $this->postJson($url, $thicker)->assertOk()->json();
    expect($kept['dimensions']['thickness_mm'])->toBe(2.4)->and($kept['revision'])->toBe($made['revision'] + 1);
    $this->postJson($url, $thicker)->assertStatus(422)->assertJsonPath('error.field', 'after_revision');
    $bar = ['process' => 'extrusion', 'dimensions' => [], 'after_revision' => $kept['revision']] + perch();
    $this->postJson($url, $bar)->assertStatus(422)->assertJsonPath('error.field', 'process');
    // What an older shop knew of a product and its process does not ask any more stays with it.
    $old = Product::query()->where('name', 'syrup feeder tray')->firstOrFail();
    $old->update(['dimensions' => ['shape' => 'box'] + $old->dimensions]);
    $tray = collect($this->getJson('/api/v1/products')->json('items'))->firstWhere('name', 'syrup feeder tray');
    $this->postJson("/api/v1/products/{$tray['id']}", [
        'name' => $tray['name'],
        'process' => $tray['process'],
        'polymer' => $tray['polymer'],
        'dimensions' => ['sheet_mm' => 2] + $tray['dimensions'],
        'after_revision' => $tray['revision'],
    ])->assertOk()->assertJsonPath('dimensions.shape', 'box');
});

it('gets an empty shop from nothing to its first run', function (): void {
    $this->signedIn('maren');
    $press = $this->postJson('/api/v1/machines', [
        'name' => 'Flatiron',
        'kind' => 'hot_press',
        'facts' => ['max_c' => ['value' => 220, 'origin' => 'plate']],
    ])->assertCreated()->json('machine.id');
    $board = $this->postJson('/api/v1/products', [
        'name' => 'roof board',
        'process' => 'compression',
        'polymer' => 'HDPE',
        'dimensions' => ['length_mm' => 400, 'width_mm' => 300, 'thickness_mm' => 6, 'thickness_tolerance_mm' => 0.8],
    ])->assertCreated()->json('id');
    $body = panel(['product_id' => $board, 'confirmed_by' => person('maren')->id]);
    $body['machines'] = ['hot' => $press];
    $answer = $this->postJson('/api/v1/plans', $body)->assertOk()->json();
    // It does not answer for an ideal press in silence.
    expect(array_column($answer['plan']['unknowns'], 'fact'))->toContain('heaters and platens of the hot press')
        ->and($answer['plan']['explanation'])->toContain('at the very least');
    $run = $this->postJson('/api/v1/runs', $body)->assertCreated()->json('summary');
    expect($run['stations'])->toHaveCount(1)->and($run['machine'])->toBe('Flatiron');
});

it('lists what is out of use only where it is asked for', function (): void {
    $heron = Machine::query()->where('name', 'Heron')->value('id');
    $this->signedIn('maren')->postJson("/api/v1/machines/{$heron}/retire", ['retired' => true])
        ->assertOk()
        ->assertJsonPath('machine.retired', true);
    expect($this->getJson('/api/v1/machines?retired=1')->assertOk()->json('items.*.name'))->toBe(['Heron'])
        ->and($this->getJson('/api/v1/machines')->json('items.*.name'))->not->toContain('Heron');
    $this->getJson('/api/v1/machines?retired=maybe')->assertStatus(422);
});

it('takes a fact from another source though its number is the same', function (): void {
    $heron = Machine::query()->where('name', 'Heron')->firstOrFail();
    $this->signedIn('maren');
    foreach (['plate', 'measured'] as $n => $origin) {
        $this->postJson("/api/v1/machines/{$heron->id}/facts", [
            'after' => $this->getJson("/api/v1/machines/{$heron->id}")->json('after'),
            'facts' => ['max_c' => ['value' => 290, 'origin' => $origin]],
            'note' => ['as it says', 'with a probe'][$n],
        ])->assertOk();
    }
    $log = $this->getJson("/api/v1/machines/{$heron->id}")->json('log');
    expect(array_column(array_slice($log, -2), 'origin'))->toBe(['plate', 'measured'])
        ->and(end($log))->toMatchArray(['name' => 'max_c', 'value' => 290, 'note' => 'with a probe']);
});

it('sets an own value, says so on the answer, and gives it back to the library', function (): void {
    $path = 'process.injection.melt_c.typical';
    $of = fn (): array => array_column(
        $this->getJson('/api/v1/polymers/PP/overrides')->assertOk()->json('items'),
        null,
        'path',
    )[$path];
    $set = fn (?float $value, int $after, string $reason = 'our grade'): TestResponse => $this->postJson(
        '/api/v1/polymers/PP/overrides',
        ['path' => $path, 'value' => $value, 'reason' => $reason, 'after' => $after],
    );
    $this->signedIn('maren');
    $before = $of();
    expect($before['own'])->toBeNull()->and($before['library'])->toBeGreaterThan(150)->and($before['log'])->toBe([]);
    $set(null, 0)->assertStatus(422)->assertJsonPath('error.field', 'value');
    $set($before['library'] + 6, 0)->assertCreated();
    $now = $of();
    expect($now['own'])->toEqual($before['library'] + 6)->and($now['log'][0]['by'])->toBe('Maren Okafor');
    // Somebody who has not seen it does not overwrite it.
    $set($before['library'] + 9, 0)->assertStatus(422)->assertJsonPath('error.field', 'after');

    app()->forgetScopedInstances();
    $reducer = Product::query()->where('name', 'entrance reducer')->firstOrFail();
    $plan = ['product_id' => $reducer->id, 'machines' => [
        'barrel' => Machine::query()->where('name', 'Heron')->value('id'),
    ],
        'polymer' => 'PP'];
    expect($this->postJson('/api/v1/plans', $plan)->assertOk()->json('origins.melt_c'))->toBe('your shop\'s value');

    $set(null, $now['after'], 'the grade is gone')->assertCreated();
    $after = $of();
    expect($after['own'])->toBeNull()
        ->and(array_column($after['log'], 'value'))->toEqual([$before['library'] + 6, null]);
    app()->forgetScopedInstances();
    expect($this->postJson('/api/v1/plans', $plan)->assertOk()->json('origins.melt_c'))->toBe('polymer library');
});

it('knows what of a polymer can be set, and who may', function (): void {
    $paths = $this->signedIn('ines')->getJson('/api/v1/polymers/PVC-U/overrides')->assertOk()->json('items.*.path');
    expect(array_filter($paths, static fn (string $p): bool => str_starts_with($p, 'process.')))->toBe([]);
    $this->getJson('/api/v1/polymers/XX/overrides')->assertStatus(422);
    $this->postJson('/api/v1/polymers/PP/overrides', ['path' => 'demould_c.typical', 'value' => 80, 'reason' => 'x'])
        ->assertStatus(403);
});

it('does not call a shop without machines taken', function (): void {
    $says = fn (): string => array_column(
        $this->getJson('/api/v1/floor')->assertOk()->json('stages'),
        'says',
        'id',
    )['set'];
    $this->signedIn('maren');
    expect($says())->toBe('machines free');
    Machine::query()->update(['retired_at' => now()]);
    expect($says())->toBe('no machine yet');
});

it('prints what a formed part is cut along at its true size, and nothing of what is not cut', function (): void {
    $products = array_column(
        $this->signedIn('jun')->getJson('/api/v1/products')->assertOk()->json('items'),
        null,
        'name',
    );
    $tray = $products['syrup feeder tray'];
    expect($tray['template_sheets'])->toBeGreaterThan(0)
        ->and($products['hive floor panel']['template_sheets'])->toBeNull();
    $pdf = $this->get("/api/v1/products/{$tray['id']}/template.pdf")
        ->assertOk()
        ->assertHeader('Content-Type', 'application/pdf');
    expect(preg_match_all('/\/Type \/Page\b/', (string) $pdf->getContent()))->toBe($tray['template_sheets']);
    $this->get("/api/v1/products/{$products['hive floor panel']['id']}/template.pdf")->assertNotFound();
});

it('draws a template in units of a millimetre, with a rule that proves it', function (): void {
    $of = Dithermic\Core\Process\Outline::of(null, 320, 220, 12);
    $tiles = App\Shop\Support\TrimTemplate::tiles($of);
    $svg = App\Shop\Support\TrimTemplate::svg('tray <x>', $of, $tiles[0]);
    expect($svg)->toContain('viewBox="-8 -8 190 270"')
        ->toContain('<rect x="0" y="0" width="320" height="220" rx="12"')
        ->toContain('h100')
        ->toContain('tray &lt;x&gt;')
        ->not->toContain('<x>');
});
