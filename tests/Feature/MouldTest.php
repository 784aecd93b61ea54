<?php

declare(strict_types=1);

use App\Runs\Models\RunStation;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;

/** @return array<string, mixed> a plan of a part in the demo's mould, or in another */
function planned(string $product, array $machines, array $over = []): array
{
    return test()->postJson('/api/v1/plans', [
        'product_id' => Product::query()->where('name', $product)->value('id'),
        'machines' => array_map(machineNamed(...), $machines),
    ] + $over)->assertOk()->json('plan');
}

/** @return array<string, array{id: string, state: string, says: string}> */
function checksOf(array $plan): array
{
    return array_column($plan['checks'], null, 'id');
}

it('takes from the mould what the mould settles, and says so', function (): void {
    $this->signedIn();
    $plan = planned('frame spacer clip', ['barrel' => 'Wren', 'mould' => 'Dormouse']);
    $settings = array_column($plan['settings'], null, 'name');
    expect($settings['cavities']['value'])->toEqual(4)
        ->and($settings['cavities']['origin'])->toBe('Dormouse')
        ->and($settings['part_volume_cm3']['origin'])->toBe('the product')
        ->and($plan['mould_make'])->toBe('steel');
    $moved = planned(
        'frame spacer clip',
        ['barrel' => 'Wren', 'mould' => 'Dormouse'],
        ['settings' => ['cavities' => 2]],
    );
    expect(array_column($moved['settings'], null, 'name')['cavities']['origin'])->toBe('set here');
    // Without a mould nothing is known of one, and the plan stands on usual practice.
    $bare = array_column(planned('frame spacer clip', ['barrel' => 'Wren'])['settings'], null, 'name');
    expect($bare['cavities']['value'])->toEqual(1)->and($bare['cavities']['origin'])->not->toBe('Dormouse');
});

it('says whether the mould goes into the machine, and starts nothing that does not', function (): void {
    $this->signedIn();
    $fits = checksOf(planned('frame spacer clip', ['barrel' => 'Wren', 'mould' => 'Dormouse']));
    expect($fits['tie_bars']['state'])->toBe('ok')->and($fits['mould_height']['state'])->toBe('ok');
    Machine::query()->where('name', 'Wren')->firstOrFail()
        ->update(['facts' => ['tie_bar_width_mm' => 190, 'tie_bar_height_mm' => 200]
            + Machine::query()->where('name', 'Wren')->firstOrFail()->facts]);
    $checks = checksOf(planned('frame spacer clip', ['barrel' => 'Wren', 'mould' => 'Dormouse']));
    expect($checks['tie_bars']['state'])->toBe('block')->and($checks['tie_bars']['says'])->toContain('196 mm');
});

it('refuses a forming mould without draft, by name', function (): void {
    $this->signedIn();
    $good = checksOf(planned('syrup feeder tray', ['former' => 'Bellows', 'mould' => 'Saucer']));
    $steep = checksOf(planned(
        'syrup feeder tray',
        ['former' => 'Bellows', 'mould' => 'Saucer'],
        ['settings' => ['draft_deg' => 0.5]],
    ));
    expect($good['mould_draft']['state'])->toBe('warn')
        ->and($good['mould_vents']['state'])->toBe('ok')
        ->and($steep['mould_draft']['state'])->toBe('block')
        ->and($steep['mould_draft']['says'])->toContain('locks');
});

it('hangs a mould in one machine at a time, as long as the run lasts', function (): void {
    $run = $this->signedIn()->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    $mould = Machine::query()->where('name', 'Wicket')->firstOrFail();
    $held = RunStation::query()->where('machine_id', $mould->id)->where('run_id', $run)->firstOrFail();
    expect($held->from_at)->not->toBeNull()->and($held->to_at)->toBeNull();

    // The other injector is free and would take it; the mould hangs already.
    $wren = Machine::query()->where('name', 'Wren')->firstOrFail();
    $wren->update(['facts' => ['least_mould_mm' => 80] + $wren->facts]);
    $small = ['settings' => ['part_volume_cm3' => 10]];
    $this->postJson('/api/v1/runs', jobOf('entrance reducer', 'barrel', 'Wren', 'L-0106', $small))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'machines.mould');
    tell($run, [['type' => 'aborted', 'data' => ['reason' => 'the bench is needed']]]);
    expect($held->refresh()->to_at)->not->toBeNull();
    $this->postJson('/api/v1/runs', jobOf('entrance reducer', 'barrel', 'Wren', 'L-0106', $small))->assertCreated();
});

it('counts what a mould has made, and warns when it has made what it stands', function (): void {
    $mould = Machine::query()->where('name', 'Wicket')->firstOrFail();
    $had = $mould->made();
    expect($had)->toBeGreaterThan(100);
    $mould->update(['facts' => $mould->facts + ['life_shots' => $had + 21]]);
    $run = $this->signedIn()->postJson('/api/v1/runs', reducer())->assertCreated()->json('summary.id');
    walkRun($run);
    foreach ([1, 2] as $piece) {
        tell($run, [['type' => 'piece_begun', 'data' => ['piece' => $piece]]]);
        walkRun($run, $piece);
    }
    $this->getJson("/api/v1/machines/{$mould->id}")->assertOk()->assertJsonPath('made', $had + 2);
    $life = checksOf(planned('entrance reducer', ['barrel' => 'Heron', 'mould' => 'Wicket']))['mould_life'];
    expect($life['state'])->toBe('warn')->and($life['has'])->toEqual(19)->and($life['needs'])->toEqual(20);
    // What the runs count, nobody enters.
    $this->signedIn('maren')
        ->postJson("/api/v1/machines/{$mould->id}/facts", ['after' => 0, 'facts' => ['made' => ['value' => 0]]])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'facts.made');
    $heron = machineNamed('Heron');
    $this->getJson("/api/v1/machines/{$heron}")->assertOk()->assertJsonPath('made', null);
});

it('gives a product a mould of its process only', function (): void {
    $this->signedIn('maren');
    $clip = Product::query()->where('name', 'frame spacer clip')->firstOrFail();
    $body = [
        'name' => $clip->name,
        'process' => $clip->process,
        'polymer' => $clip->polymer,
        'dimensions' => $clip->dimensions,
        'after_revision' => $clip->revision,
    ];
    foreach (['Saucer', 'Wren'] as $wrong) {
        $this->postJson("/api/v1/products/{$clip->id}", ['mould_id' => machineNamed($wrong)] + $body)
            ->assertStatus(422)
            ->assertJsonPath('error.field', 'mould_id');
    }
    $this->postJson("/api/v1/products/{$clip->id}", ['mould_id' => machineNamed('Wicket')] + $body)
        ->assertOk()
        ->assertJsonPath('mould_id', machineNamed('Wicket'));
});

it('shows no lane for what hangs in another machine', function (): void {
    $lanes = array_column($this->signedIn()->getJson('/api/v1/floor')->assertOk()->json('lanes'), 'machine');
    expect($lanes)->toContain('Wren')->not->toContain('Dormouse');
});

it('says which machines a mould goes into, and what speaks against the others', function (): void {
    $fits = fn (string $mould): array => array_column(
        $this->getJson('/api/v1/machines/'.machineNamed($mould).'/fits')->assertOk()->json('items'),
        null,
        'machine',
    );
    $this->signedIn();
    $wicket = $fits('Wicket');
    expect(array_keys($wicket))->toBe(['Heron', 'Wren'])
        ->and($wicket['Heron']['fits'])->toBeTrue()
        // Ninety millimetres high, and the screw's clamp closes on no less than 120; its shot is more than the screw
        // holds.
        ->and($wicket['Wren']['fits'])->toBeFalse()
        ->and(implode(' ', $wicket['Wren']['against']))->toContain('no less than 120')->toContain('cm³ of melt')
        ->and($fits('Dormouse')['Wren']['fits'])->toBeTrue();
    $bellows = Machine::query()->where('name', 'Bellows')->firstOrFail();
    expect($fits('Bonnet')['Bellows']['fits'])->toBeTrue();
    $bellows->update(['facts' => ['bed_length_mm' => 400] + $bellows->facts]);
    expect($fits('Bonnet')['Bellows']['against'][0])->toContain('470');
    expect($fits('Sleeper'))->toBe([])->and($fits('Heron'))->toBe([]);
    $this->getJson('/api/v1/machines/999999/fits')->assertNotFound();
});
