<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Models\Source;
use App\Shop\Models\Machine;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Opis\JsonSchema\Validator;

function source(string $name): int
{
    return (int) Source::query()->where('name', $name)->value('id');
}

/** @return array<string, mixed> */
function delivery(array $over = []): array
{
    return $over + [
        'id' => fake_uuid(),
        'source_id' => source('Market co-op'),
        'polymer' => 'PP',
        'form' => 'item',
        'colour' => 'honey',
        'swatch' => '#d9a441',
        'location' => 'Rack E1',
        'mass_g' => 5000,
        'tare_g' => 820,
    ];
}

function ledgerSum(int $lot): float
{
    return (float) LotMovement::query()->where('lot_id', $lot)->sum('mass_g');
}

it('takes a delivery in once, however often it is sent, and refuses by name what it cannot be', function (): void {
    $body = delivery();
    $first = $this->signedIn()->postJson('/api/v1/lots', $body)->assertCreated()->json();
    expect($first['mass_g'])->toEqual(5000)
        ->and($first['code'])
        ->toMatch('/^L-\d{4}$/')
        ->and($first['never_hot'])
        ->toBeFalse();
    expect(
        $this->postJson('/api/v1/lots', $body)->assertCreated()->json('id'),
    )->toBe($first['id'])->and(ledgerSum($first['id']))->toBe(5000.0);
    foreach ([
        ['polymer' => 'WOOD', 'polymer'],
        ['mass_g' => -1, 'mass_g'],
        ['swatch' => 'green', 'swatch'],
        ['form' => 'cake', 'form'],
        ['sheet' => ['length_mm' => 600], 'sheet.width_mm'],
    ] as $bad) {
        $field = array_pop($bad);
        $this->postJson('/api/v1/lots', delivery($bad))->assertStatus(422)->assertJsonPath('error.field', $field);
    }
});

it('splits, shreds and merges with parentage, losing and inventing nothing', function (): void {
    $lot = $this->signedIn()->postJson('/api/v1/lots', delivery())->json();
    [$part] = $this->postJson(
        "/api/v1/lots/{$lot['id']}/acts",
        ['id' => fake_uuid(), 'kind' => 'split', 'mass_g' => 1200, 'location' => 'Rack E2'],
    )->assertCreated()->json('items');
    expect($part['mass_g'])->toEqual(1200)
        ->and($part['colour'])
        ->toBe('honey')
        ->and(ledgerSum($lot['id']))
        ->toBe(3800.0);
    [$flake] = $this->postJson(
        "/api/v1/lots/{$lot['id']}/acts",
        ['id' => fake_uuid(), 'kind' => 'shred', 'mass_in_g' => 3800, 'mass_out_g' => 3740, 'location' => 'Rack E3'],
    )->assertCreated()->json('items');
    expect($flake['form'])->toBe('flake')->and($flake['mass_g'])->toEqual(3740)->and(ledgerSum($lot['id']))->toBe(0.0);
    $this->postJson(
        "/api/v1/lots/{$flake['id']}/acts",
        ['id' => fake_uuid(), 'kind' => 'shred', 'mass_in_g' => 1, 'mass_out_g' => 1],
    )->assertStatus(422)->assertJsonPath('error.field', 'lot_id');
    $seen = $this->getJson("/api/v1/lots/{$flake['code']}")->assertOk()->json();
    expect($seen['from'][0]['code'])->toBe($lot['code'])->and($seen['from'][0]['kind'])->toBe('shredded');

    $grey = lot('L-0106');
    $both = ['lots' => [['id' => $flake['id'], 'mass_g' => 3740], ['id' => $grey->id, 'mass_g' => 1000]]];
    $preview = $this->postJson('/api/v1/lots/merge', $both + ['preview' => true])->assertOk()->json();
    expect($preview['colour'])->toContain('honey')
        ->toContain('grey')
        ->and($preview['changes'])->not
        ->toBe([])
        ->and(ledgerSum($grey->id))
        ->toBe((float) $grey->held_g);
    [$merged] = $this->postJson('/api/v1/lots/merge', $both + ['id' => fake_uuid()])->assertCreated()->json('items');
    expect($merged['mass_g'])->toEqual(4740)->and($merged['swatch'])->toBe($preview['swatch']);
    $this->postJson(
        '/api/v1/lots/merge',
        [
            'id' => fake_uuid(),
            'lots' => [['id' => $merged['id'], 'mass_g' => 10], ['id' => lot('L-0101')->id, 'mass_g' => 10]],
        ],
    )->assertStatus(422)->assertJsonPath('error.field', 'lots.1.id');
    $this->postJson(
        '/api/v1/lots/merge',
        [
            'id' => fake_uuid(),
            'lots' => [['id' => $merged['id'], 'mass_g' => 999999], ['id' => $grey->id, 'mass_g' => 10]],
        ],
    )->assertStatus(422)->assertJsonPath('error.field', 'lots.0.mass_g');
});

it('drops the trust of a merged lot to its least trusted source', function (): void {
    $this->signedIn();
    $new = $this->postJson('/api/v1/sources', ['name' => 'Village fete'])
        ->assertCreated()
        ->assertJsonPath('state', 'on_trial')
        ->json('id');
    $doubtful = $this->postJson('/api/v1/lots', delivery(['source_id' => $new, 'form' => 'flake']))->json();
    $preview = $this->postJson(
        '/api/v1/lots/merge',
        [
            'preview' => true,
            'lots' => [['id' => lot('L-0106')->id, 'mass_g' => 500], ['id' => $doubtful['id'], 'mass_g' => 100]],
        ],
    )->json();
    expect(implode(' ', $preview['changes']))->toContain('L-0106 comes down to "on trial"');
    $merged = $this->postJson(
        '/api/v1/lots/merge',
        [
            'id' => fake_uuid(),
            'lots' => [['id' => lot('L-0106')->id, 'mass_g' => 500], ['id' => $doubtful['id'], 'mass_g' => 100]],
        ],
    )->json('items.0');
    expect($merged['source']['name'])->toBe('Village fete');
});

it('counts stock with a reason for a difference, and never goes under zero without one', function (): void {
    $lot = lot('L-0106');
    $held = (float) $lot->held_g;
    $this->signedIn()->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'count', 'weighed_g' => $held - 300],
    )->assertStatus(422)->assertJsonPath('error.field', 'reason');
    $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'count', 'weighed_g' => $held - 300, 'reason' => 'spilt at the shredder'],
    )->assertCreated()->assertJsonPath('items.0.mass_g', (int) ($held - 300));
    $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'split', 'mass_g' => $held],
    )->assertStatus(422)->assertJsonPath('error.field', 'mass_g');
    $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'waste', 'mass_g' => 100],
    )->assertStatus(422)->assertJsonPath('error.field', 'reason');
    $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'place', 'from' => 'somewhere else', 'location' => 'Rack Z'],
    )->assertStatus(422)->assertJsonPath('error.field', 'from');
    $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'place', 'from' => $lot->location, 'location' => 'Rack Z'],
    )->assertCreated()->assertJsonPath('items.0.location', 'Rack Z');
});

it('judges contamination against what the polymer stands', function (): void {
    $lot = lot('L-0101');
    $this->signedIn()->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'contamination', 'found' => 'PVC-U', 'found_g' => 0.2, 'sample_g' => 500],
    )->assertCreated();
    $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'contamination', 'found' => 'PP', 'found_g' => 5, 'sample_g' => 500],
    )->assertCreated();
    $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'contamination', 'found' => 'PP', 'found_g' => 900, 'sample_g' => 500],
    )->assertStatus(422)->assertJsonPath('error.field', 'found_g');
    $found = collect($this->getJson("/api/v1/lots/{$lot->id}")->json('contamination'))->keyBy('found');
    expect(json_encode($this->postJson('/api/v1/runs', panel())->assertStatus(422)->json()))->toContain('contaminated');
    $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        [
            'id' => fake_uuid(),
            'kind' => 'contamination',
            'found' => 'PVC-U',
            'found_g' => 0,
            'sample_g' => 800,
            'note' => 'sorted out',
        ],
    )->assertCreated();
    $this->postJson('/api/v1/runs', panel())->assertCreated();
    expect($found['PVC-U']['verdict'])->toBe('dangerous')
        ->and($found['PP']['verdict'])
        ->toBe('within')
        ->and($found['PP']['share_pct'])
        ->toEqual(1);
});

it('carries what was found along with the material: a part of a dirty lot stays cold until its own sample is clean', function (): void {
    $lot = lot('L-0101');
    $sample = fn (int $id, float $found) => $this->postJson(
        "/api/v1/lots/{$id}/acts",
        ['id' => fake_uuid(), 'kind' => 'contamination', 'found' => 'PVC-U', 'found_g' => $found, 'sample_g' => 500],
    )->assertCreated();
    $this->signedIn();
    $sample($lot->id, 0.3);
    $part = $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'split', 'mass_g' => 6000],
    )->json('items.0');
    $merged = $this->postJson(
        '/api/v1/lots/merge',
        [
            'id' => fake_uuid(),
            'lots' => [['id' => $part['id'], 'mass_g' => 3000], ['id' => lot('L-0102')->id, 'mass_g' => 3000]],
        ],
    )->json('items.0');
    foreach ([$part['id'], $merged['id']] as $id) {
        expect(json_encode(
            $this->postJson('/api/v1/runs', panel(['lot_id' => $id]))->assertStatus(422)->json(),
        ))->toContain('contaminated');
    }
    $sample($lot->id, 0.0);
    expect(json_encode(
        $this->postJson('/api/v1/runs', panel(['lot_id' => $merged['id']]))->assertStatus(422)->json(),
    ))->toContain('contaminated');
    $sample($merged['id'], 0.0);
    $this->postJson('/api/v1/runs', panel(['lot_id' => $merged['id']]))->assertCreated();
});

it('keeps a merged lot as dry as its wettest part, in the worst hopper of any', function (): void {
    $lot = lot('L-0109');
    $lot->update(['dried_at' => CarbonImmutable::now()->subMinutes(20), 'hopper' => 'closed', 'rh_pct' => 40]);
    $this->signedIn();
    $part = $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'split', 'mass_g' => 2000],
    )->json('items.0');
    Lot::query()->whereKey($part['id'])->update(['hopper' => 'open', 'rh_pct' => 60]);
    $parts = ['lots' => [['id' => $part['id'], 'mass_g' => 1000], ['id' => $lot->id, 'mass_g' => 1000]]];
    $dry = $this->postJson('/api/v1/lots/merge', $parts + ['preview' => true])->json('dry_state');
    $this->postJson('/api/v1/lots/merge', $parts + ['id' => fake_uuid()])
        ->assertCreated()
        ->assertJsonPath('items.0.dry_state', $dry);
    $merged = Lot::query()->orderByDesc('id')->firstOrFail();
    expect($dry)->toBeIn(['dry', 'use now'])->and($merged->hopper)->toBe('open')->and($merged->rh_pct)->toBe(60.0);
});

it('makes labels with a code that opens the lot, and a history that fits its schema', function (): void {
    $svg = $this->signedIn()
        ->get('/api/v1/lots/L-0107/label.svg')
        ->assertOk()
        ->assertHeader('Content-Type', 'image/svg+xml')
        ->getContent();
    expect($svg)->toContain('NEVER HOT')->toContain('L-0107')->toContain('/l/L-0107');
    expect($this->get('/api/v1/lots/L-0101/label.pdf')->assertOk()->getContent())->toStartWith('%PDF-');
    $history = json_decode($this->get('/api/v1/lots/L-0101/history.json')->assertOk()->getContent());
    $result = (new Validator)->validate(
        $history,
        (string) file_get_contents(base_path('docs/formats/lot.schema.json')),
    );
    expect($result->isValid())->toBeTrue()->and(array_sum(array_map(
        static fn (object $m): float => $m->mass_g,
        $history->movements,
    )))->toEqualWithDelta($history->lot->mass_g, 1e-6);
});

it('lets a source up the ladder rung by rung, and drops it on a bad delivery', function (): void {
    $this->signedIn('maren');
    $id = $this->postJson('/api/v1/sources', ['name' => 'Village fete', 'note' => 'Cups.'])->json('id');
    $event = fn (array $body) => $this->postJson("/api/v1/sources/{$id}/events", $body + ['id' => fake_uuid()]);
    $event(['kind' => 'full_trial_passed', 'worked_at_c' => 190])->assertStatus(422)
        ->assertJsonPath('error.field', 'kind');
    $event(['kind' => 'small_trial_passed'])->assertStatus(422)->assertJsonPath('error.field', 'worked_at_c');
    $picture = $this->post(
        '/api/v1/pictures',
        ['file' => UploadedFile::fake()->image('trial.png', 300, 200)],
        ['Accept' => 'application/json'],
    )->assertCreated()->json('id');
    $this->get("/api/v1/pictures/{$picture}")->assertOk()->assertHeader('Content-Type', 'image/jpeg');
    $this->post(
        '/api/v1/pictures',
        ['file' => UploadedFile::fake()->createWithContent('x.png', '<?php evil')],
        ['Accept' => 'application/json'],
    )->assertStatus(422);
    $event(['kind' => 'small_trial_passed', 'worked_at_c' => 188, 'picture_id' => $picture])->assertCreated()
        ->assertJsonPath('source.state', 'small_trial_passed')
        ->assertJsonPath('may', ['small_trial', 'full_trial']);
    $event(['kind' => 'full_trial_passed', 'worked_at_c' => 192])->assertCreated();
    $event(['kind' => 'accepted'])->assertCreated()
        ->assertJsonPath('source.state', 'accepted')
        ->assertJsonPath('worked_from_c', 188)
        ->assertJsonPath('worked_to_c', 192);
    $event(['kind' => 'delivery_failed'])->assertStatus(422)->assertJsonPath('error.field', 'note');
    $event([
        'kind' => 'delivery_failed',
        'note' => 'smells of diesel',
    ])->assertCreated()->assertJsonPath('source.state', 'on_trial');
});

it('leaves acceptance to a lead, and an unaccepted source to its trial', function (): void {
    Source::query()->where('name', 'Garden nursery')->update(['state' => 'full_trial_passed']);
    $this->signedIn('teodor')->postJson(
        '/api/v1/sources/'.source('Garden nursery').'/events',
        ['id' => fake_uuid(), 'kind' => 'accepted'],
    )->assertStatus(403);
    $blocked = $this->postJson(
        '/api/v1/runs',
        panel(['lot_id' => lot('L-0102')->id]),
    )->assertStatus(422)->json('error');
    expect(json_encode($blocked))->toContain('source_not_accepted');
    $this->postJson('/api/v1/runs', panel(['lot_id' => lot('L-0102')->id, 'scale' => 'full_trial']))->assertCreated();
});

it('sorts a mixed batch into containers and closes its mass balance', function (): void {
    $id = fake_uuid();
    $this->signedIn()->postJson(
        '/api/v1/sortings',
        ['id' => $id, 'source_id' => source('Market co-op'), 'about' => 'a mixed tub', 'in_g' => 3000, 'scale_g' => 5],
    )->assertCreated()->assertJsonPath('missing_g', 3000);
    $bin = fn (int $place, ?string $polymer, string $colour): int => collect(
        $this->postJson(
            "/api/v1/sortings/{$id}/bins",
            ['place' => $place, 'polymer' => $polymer, 'colour' => $colour, 'swatch' => '#808080'],
        )->assertCreated()->json('bins'),
    )->firstWhere('place', $place)['id'];
    $pp = $bin(1, 'PP', 'white');
    $hdpe = $bin(2, 'HDPE', 'blue');
    $unknown = $bin(3, 'UNKNOWN', 'mixed');
    $waste = $bin(9, null, 'waste');
    $this->postJson(
        "/api/v1/sortings/{$id}/bins",
        ['place' => 1, 'polymer' => 'ABS', 'colour' => 'red', 'swatch' => '#ff0000'],
    )->assertStatus(422)->assertJsonPath('error.field', 'place');
    $put = fn (array $body) => $this->postJson("/api/v1/sortings/{$id}/entries", $body + ['id' => fake_uuid()]);
    $put(['bin_id' => $pp, 'pieces' => 12])->assertCreated();
    $key = fake_uuid();
    $put(['id' => $key, 'bin_id' => $hdpe, 'pieces' => 3, 'mass_g' => 400])->assertCreated();
    $put(['id' => $key, 'bin_id' => $hdpe, 'pieces' => 3, 'mass_g' => 400])->assertCreated();
    $put(['undoes' => $key])->assertCreated();
    $put(['undoes' => $key])->assertStatus(422);
    $put(['bin_id' => $hdpe, 'pieces' => 4, 'mass_g' => 700])->assertCreated();
    $put(['bin_id' => $unknown, 'mass_g' => 250])->assertCreated();
    $put(['bin_id' => $waste, 'mass_g' => 150])->assertCreated();
    $this->postJson("/api/v1/sortings/{$id}/close", ['id' => fake_uuid()])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'bins');
    $put(['bin_id' => $pp, 'mass_g' => 1500])->assertCreated()
        ->assertJsonPath('closes', false)
        ->assertJsonPath('missing_g', 400);
    $this->postJson("/api/v1/sortings/{$id}/close", ['id' => fake_uuid()])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'reason');
    $put(['bin_id' => $pp, 'mass_g' => 398])->assertCreated()->assertJsonPath('closes', true);
    $closed = $this->postJson("/api/v1/sortings/{$id}/close", ['id' => fake_uuid()])->assertCreated()->json();
    $lots = Lot::query()->withHeld()->whereKey(array_filter(array_column($closed['bins'], 'lot_id')))->get();
    expect($lots)->toHaveCount(3)->and(
        (float) $lots->sum(static fn (Lot $l): float => (float) $l->held_g),
    )->toBe(2848.0);
    $put(['bin_id' => $pp, 'pieces' => 1])->assertStatus(422)->assertJsonPath('error.field', 'sorting');
});

it('keeps an unknown unknown until the tests decide, and out of the heat', function (): void {
    $lot = lot('L-0107');
    $weak = fake_uuid();
    $this->signedIn()->postJson(
        '/api/v1/identifications',
        ['id' => $weak, 'evidence' => [['test' => 'water', 'result' => 'sinks']], 'decision' => 'PP'],
    )->assertCreated()->assertJsonPath('decision', 'UNKNOWN');
    $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'identify', 'identification_id' => $weak],
    )->assertStatus(422)->assertJsonPath('error.field', 'identification_id');
    expect(json_encode(
        $this->postJson('/api/v1/runs', panel(['lot_id' => $lot->id]))->assertStatus(422)->json(),
    ))->toContain('unidentified_polymer');
    $strong = fake_uuid();
    $this->postJson(
        '/api/v1/identifications',
        [
            'id' => $strong,
            'evidence' => [
                ['test' => 'resin_mark', 'result' => '5'],
                ['test' => 'water', 'result' => 'floats'],
                ['test' => 'item_kind', 'result' => 'tub, tray or pot'],
            ],
        ],
    )->assertCreated()->assertJsonPath('decision', 'PP');
    $this->postJson(
        "/api/v1/lots/{$lot->id}/acts",
        ['id' => fake_uuid(), 'kind' => 'identify', 'identification_id' => $strong],
    )->assertCreated()->assertJsonPath('items.0.polymer', 'PP');
});

it('dries, refuses too hot, tells when it has stood open too long', function (): void {
    App\Material\Models\Drying::query()->delete();
    $lot = lot('L-0109');
    $attic = (int) Machine::query()->where('name', 'Attic')->value('id');
    $body = ['machine_id' => $attic, 'lot_id' => $lot->id];
    $this->signedIn()
        ->postJson('/api/v1/drying', $body + ['id' => fake_uuid(), 'air_c' => 150])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'air_c');
    $plan = $this->postJson(
        '/api/v1/drying',
        ['lot_id' => $lot->id, 'preview' => true, 'wanted_at' => shopNow() + 86400],
    )->assertOk()->json();
    expect($plan['hours'])->toBeGreaterThan(1)
        ->and($plan['start_by'])
        ->toEqualWithDelta(shopNow() + 86400 - 3600 * $plan['hours'], 60);
    $id = fake_uuid();
    $this->postJson('/api/v1/drying', $body + ['id' => $id])->assertCreated();
    $this->postJson('/api/v1/drying', $body + ['id' => fake_uuid()])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'lot_id');
    expect(array_column($this->getJson('/api/v1/floor')->json('hands'), 'to'))->toContain('/dry');
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addHours((int) ceil($plan['hours']) + 1));
    Carbon\Carbon::setTestNow(CarbonImmutable::now());
    $this->postJson(
        "/api/v1/drying/{$id}/out",
        ['hopper' => 'open', 'rh_pct' => 60],
    )->assertCreated()->assertJsonPath('dry_state', 'dry');
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addHours(6));
    $this->getJson("/api/v1/lots/{$lot->id}")->assertJsonPath('lot.dry_state', 'dry again');
    CarbonImmutable::setTestNow();
    Carbon\Carbon::setTestNow();
});

it('is not dry when it comes out too early', function (): void {
    App\Material\Models\Drying::query()->delete();
    $attic = (int) Machine::query()->where('name', 'Attic')->value('id');
    $id = fake_uuid();
    $this->signedIn()->postJson(
        '/api/v1/drying',
        ['id' => $id, 'machine_id' => $attic, 'lot_id' => lot('L-0109')->id],
    )->assertCreated();
    $this->postJson("/api/v1/drying/{$id}/out", ['hopper' => 'closed'])
        ->assertCreated()
        ->assertJsonPath('dry_state', 'unknown');
});

/** @return array<string, mixed> */
function stripes(array $over = []): array
{
    return $over + ['name' => 'stripes', 'polymer' => 'HDPE', 'after_version' => 0, 'components' => [
        ['name' => 'leaf green', 'swatch' => '#4f8a3c', 'parts' => 6, 'kind' => 'colour'],
        ['name' => 'black', 'swatch' => '#2b2b2b', 'parts' => 3, 'kind' => 'colour'],
        ['name' => 'mixed green', 'swatch' => '#6b8f5a', 'parts' => 1, 'kind' => 'regrind'],
    ]];
}

it('keeps mixes by version, never over one not seen', function (): void {
    $mix = $this->signedIn()->postJson('/api/v1/mixes', stripes())->assertCreated()->json();
    expect($mix['version'])->toBe(1)
        ->and($mix['regrind_pct'])
        ->toEqual(10)
        ->and($mix['preview'])
        ->toMatch('/^#[0-9a-f]{6}$/');
    $this->postJson('/api/v1/mixes', stripes())->assertStatus(422)->assertJsonPath('error.field', 'after_version');
    $this->postJson('/api/v1/mixes', stripes(['after_version' => 1]))->assertCreated()->assertJsonPath('version', 2);
    $this->postJson(
        '/api/v1/mixes',
        stripes(['name' => 'odd', 'polymer' => 'UNKNOWN']),
    )->assertStatus(422)->assertJsonPath('error.field', 'polymer');
});

it('weighs a mix from its lots, advises on too much, refuses the wrong lot, and gives an unused charge back', function (): void {
    $mix = $this->signedIn()->postJson('/api/v1/mixes', stripes())->json('id');
    $id = fake_uuid();
    $charge = $this->postJson(
        '/api/v1/charges',
        ['id' => $id, 'polymer' => 'HDPE', 'mix_id' => $mix, 'total_g' => 2170, 'scale_g' => 1, 'tolerance_pct' => 1],
    )->assertCreated()->json();
    expect(array_column($charge['components'], 'target_g'))->toEqual([1302, 651, 217])
        ->and($charge['components'][0]['lots'][0]['code'])
        ->toBe('L-0101')
        ->and($charge['components'][2]['lots'][0]['code'])
        ->toBe('L-0103');
    $green = lot('L-0101');
    $weigh = fn (array $body) => $this->postJson(
        "/api/v1/charges/{$id}/weighings",
        $body + ['id' => fake_uuid(), 'how' => 'hand'],
    );
    $weigh([
        'component' => 0,
        'lot_id' => lot('L-0104')->id,
        'mass_g' => 100,
    ])->assertStatus(422)->assertJsonPath('error.field', 'lot_id');
    $over = $weigh(['component' => 0, 'lot_id' => $green->id, 'mass_g' => 1400])->assertCreated()->json('components.0');
    expect($over['state'])->toBe('over')
        ->and($over['take_out_g'])
        ->toEqual(98)
        ->and($over['scale_up_to_g'])
        ->toEqual(round(2170 * 1400 / 1302));
    $this->postJson("/api/v1/charges/{$id}/finish", ['id' => fake_uuid()])->assertStatus(422);
    $weigh([
        'component' => 0,
        'lot_id' => $green->id,
        'mass_g' => -98,
    ])->assertCreated()->assertJsonPath('components.0.state', 'good');
    $weigh([
        'component' => 0,
        'lot_id' => $green->id,
        'mass_g' => -5000,
    ])->assertStatus(422)->assertJsonPath('error.field', 'mass_g');
    $weigh(['component' => 1, 'lot_id' => lot('L-0102')->id, 'mass_g' => 651])->assertCreated();
    $weigh(['component' => 2, 'lot_id' => lot('L-0103')->id, 'mass_g' => 217])->assertCreated();
    expect(ledgerSum($green->id))->toEqualWithDelta((float) $green->held_g - 1302, 1e-6);
    $this->postJson("/api/v1/charges/{$id}/finish", ['id' => fake_uuid()])
        ->assertCreated()
        ->assertJsonPath('status', 'waiting');
    expect($this->get("/api/v1/charges/{$id}/label.svg")->assertOk()->getContent())->toContain('C-');
    $this->postJson(
        "/api/v1/charges/{$id}/return",
        ['id' => fake_uuid(), 'reason' => 'job moved to tomorrow'],
    )->assertCreated()->assertJsonPath('status', 'returned');
    expect(ledgerSum($green->id))->toEqualWithDelta((float) $green->held_g, 1e-6);
    $weigh([
        'component' => 0,
        'lot_id' => $green->id,
        'mass_g' => 1,
    ])->assertStatus(422)->assertJsonPath('error.field', 'charge');
});

it('scales a charge up in proportion, and respects a lot that is kept for another product', function (): void {
    $this->signedIn();
    Lot::query()->where('code', 'L-0102')->update([
        'reserved_for_id' => App\Shop\Models\Product::query()->where('name', 'stand rail')->value('id'),
    ]);
    $mix = $this->postJson('/api/v1/mixes', stripes())->json('id');
    $id = fake_uuid();
    $charge = $this->postJson(
        '/api/v1/charges',
        ['id' => $id, 'polymer' => 'HDPE', 'mix_id' => $mix, 'total_g' => 1000, 'scale_g' => 1],
    )->json();
    expect(array_column($charge['components'][1]['lots'], 'code'))->not->toContain('L-0102');
    $body = ['component' => 1, 'lot_id' => lot('L-0102')->id, 'mass_g' => 300, 'how' => 'scale'];
    $this->postJson(
        "/api/v1/charges/{$id}/weighings",
        $body + ['id' => fake_uuid()],
    )->assertStatus(422)->assertJsonPath('error.field', 'lot_id');
    $this->postJson(
        "/api/v1/charges/{$id}/weighings",
        $body + ['id' => fake_uuid(), 'reason' => 'the rail job is off'],
    )->assertCreated();
    $this->postJson("/api/v1/charges/{$id}/total", ['id' => fake_uuid(), 'total_g' => 1100])
        ->assertCreated()
        ->assertJsonPath('components.0.target_g', 660)
        ->assertJsonPath('components.1.target_g', 330);
});

it('runs a weighed charge once: its lots were drawn at the scale, and every one of them passes the gate', function (): void {
    $this->signedIn();
    $id = fake_uuid();
    $this->postJson(
        '/api/v1/charges',
        ['id' => $id, 'polymer' => 'HDPE', 'total_g' => 2170, 'scale_g' => 1, 'product_id' => panel()['product_id']],
    )->assertCreated();
    $green = lot('L-0101');
    $start = panel(['charge_id' => $id]);
    $this->postJson('/api/v1/runs', $start)->assertStatus(422)->assertJsonPath('error.blocks.0.id', 'charge_mass');
    $this->postJson(
        "/api/v1/charges/{$id}/weighings",
        ['id' => fake_uuid(), 'component' => 0, 'lot_id' => $green->id, 'mass_g' => 2170, 'how' => 'scale'],
    )->assertCreated();
    $this->postJson("/api/v1/charges/{$id}/finish", ['id' => fake_uuid()])->assertCreated();
    $this->postJson('/api/v1/runs', $start)->assertCreated();
    $this->getJson("/api/v1/charges/{$id}")->assertJsonPath('status', 'used')->assertJsonPath('run_id', $start['id']);
    $record = json_decode($this->get("/api/v1/runs/{$start['id']}.json")->assertOk()->getContent(), true);
    expect($record['charge'])->toStartWith('C-')
        ->and($record['lots'])
        ->toHaveCount(1)
        ->and($record['lots'][0]['code'])
        ->toBe('L-0101')
        ->and($record['lots'][0]['charged_g'])
        ->toEqual(2170);
    $this->postJson(
        "/api/v1/charges/{$id}/return",
        ['id' => fake_uuid(), 'reason' => 'changed my mind'],
    )->assertStatus(422)->assertJsonPath('error.field', 'charge');
    expect(ledgerSum($green->id))->toEqualWithDelta((float) $green->held_g - 2170, 1e-6);
});

it('asks for a sign-in on every door of the material', function (string $method, string $path): void {
    $this->json($method, "/api/v1/{$path}")->assertStatus(401);
})->with([
    ['GET', 'lots'],
    ['POST', 'lots'],
    ['POST', 'lots/1/acts'],
    ['POST', 'lots/merge'],
    ['GET', 'lots/L-0101/label.svg'],
    ['GET', 'lots/1/history.json'],
    ['GET', 'sources/1'],
    ['POST', 'sources'],
    ['POST', 'sources/1/events'],
    ['GET', 'sortings'],
    ['POST', 'sortings'],
    ['POST', 'identifications'],
    ['GET', 'drying'],
    ['POST', 'drying'],
    ['GET', 'mixes'],
    ['POST', 'mixes'],
    ['GET', 'charges'],
    ['POST', 'charges'],
    ['POST', 'pictures'],
]);

it('says on the scale the charge that the run is set up with, or why it knows none', function (): void {
    $product = App\Shop\Models\Product::query()->where('name', 'hive floor panel')->firstOrFail();
    $charge = $this->signedIn()->getJson("/api/v1/products/{$product->id}/charge")->assertOk()->json();
    $plan = $this->postJson('/api/v1/plans', panel())->json('plan.targets');
    expect($charge['mass_g'])->toEqual($plan['charge_mass_g'])
        ->and($charge['tolerance_g'])
        ->toEqual($plan['charge_tolerance_g']);
    $of = static fn (string $name): string => '/api/v1/products/'.App\Shop\Models\Product::query()->where('name', $name)
        ->value('id').'/charge';
    expect($this->getJson($of('entrance reducer'))->assertOk()->json('mass_g'))->toBeGreaterThan(30)
        ->and($this->getJson($of('stand rail'))->assertOk()->json('mass_g'))
        ->toBeGreaterThan(2000);
    $this->getJson($of('travel lid'))->assertStatus(422)->assertJsonPath('error.field', 'product');
    App\Shop\Models\Machine::query()->whereRaw("facts->'barrel_diameter_mm' is not null")->update(['facts' => '{}']);
    $this->getJson($of('entrance reducer'))->assertStatus(422)->assertJsonPath('error.field', 'machines.barrel');
    $this->getJson("/api/v1/products/{$product->id}/charge?machine_id=99999")
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'machine_id');
});

it('sets the target by the way of weighing that was chosen, and keeps it with the run', function (): void {
    $water = $this->signedIn()->postJson(
        '/api/v1/plans',
        panel(['choices' => ['charge_method' => 'as_water']]),
    )->assertOk()->json();
    $schools = array_column($water['plan']['weighing']['schools'], 'charge_mass_g', 'id');
    expect($water['plan']['targets']['charge_mass_g'])->toEqualWithDelta($schools['as_water'], 0.06)
        ->and($water['choices']['charge_method'])
        ->toBe('as_water');
    $this->postJson(
        '/api/v1/plans',
        panel(['choices' => ['charge_method' => 'by_feel']]),
    )->assertStatus(422)->assertJsonPath('error.field', 'choices.charge_method');
    $big = $this->postJson('/api/v1/plans', panel(['settings' => ['length_mm' => 3000]]))->assertOk()->json();
    expect(array_column($big['plan']['checks'], 'state', 'id')['bed'])->toBe('block');
});

it('has on the shelves what holds something; what is emptied comes when it is asked for', function (): void {
    $made = $this->signedIn()->postJson('/api/v1/lots', delivery(['colour' => 'last honey']))->assertCreated()->json();
    $codes = fn (string $query): array => array_column(
        $this->getJson("/api/v1/lots?find=last%20honey{$query}")->assertOk()->json('items'),
        'code',
    );
    expect($codes(''))->toBe([$made['code']]);
    $this->postJson("/api/v1/lots/{$made['id']}/acts", [
        'id' => fake_uuid(), 'kind' => 'count', 'weighed_g' => 0, 'reason' => 'swept out',
    ])->assertSuccessful();
    expect($codes(''))->toBe([])->and($codes('&emptied=1'))->toBe([$made['code']]);
    $this->getJson('/api/v1/lots?emptied=perhaps')->assertStatus(422)->assertJsonPath('error.field', 'emptied');
    // Its label still opens it.
    $this->getJson("/api/v1/lots/{$made['code']}")->assertOk()->assertJsonPath('lot.mass_g', 0);
});
