<?php

declare(strict_types=1);

use App\Material\Models\Source;
use Illuminate\Support\Facades\DB;

/** @return array<string, array<string, mixed>> by name */
function sourceCards(): array
{
    return array_column(test()->signedIn()->getJson('/api/v1/sources')->assertOk()->json('items'), null, 'name');
}

/** @return array<string, mixed> the lot */
function brought(int $source, array $over = []): array
{
    return test()->signedIn()->postJson('/api/v1/lots', $over + [
        'id' => fake_uuid(), 'source_id' => $source, 'polymer' => 'PP', 'form' => 'flake', 'colour' => 'honey',
        'swatch' => '#d9a441', 'location' => 'Rack E1', 'mass_g' => 5000, 'tare_g' => 820, 'generation' => 1,
    ])->assertCreated()->json();
}

function newSource(string $name = 'Village fete'): int
{
    return (int) test()->signedIn()->postJson('/api/v1/sources', ['name' => $name])->assertCreated()->json('id');
}

it('remembers what a source brought, each kind once, the newest first, all but its mass', function (): void {
    $id = newSource();
    expect(sourceCards()['Village fete'])->toMatchArray([
        'held_g' => 0, 'brought' => [], 'every_days' => null, 'trial_lot' => null, 'state' => 'on_trial',
    ]);
    brought($id);
    brought($id, ['polymer' => 'HDPE', 'colour' => 'blue']);
    $last = brought($id, ['location' => 'Rack E7', 'tare_g' => 900, 'mass_g' => 6100]);
    $card = sourceCards()['Village fete'];
    expect(array_map(static fn (array $b): string => "{$b['polymer']} {$b['colour']}", $card['brought']))
        ->toBe(['PP honey', 'HDPE blue'])
        ->and($card['brought'][0])->toMatchArray([
            'code' => $last['code'], 'location' => 'Rack E7', 'tare_g' => 900, 'mass_g' => 6100, 'generation' => 1,
            'form' => 'flake', 'sheet' => null,
        ])
        ->and($card['held_g'])->toEqual(16100);
});

it('counts how often it comes by days, not by containers', function (): void {
    $id = newSource();
    $began = now()->toImmutable();
    foreach ([0, 0, 7, 14, 30] as $days) {
        $this->travelTo($began->addDays($days));
        brought($id);
    }
    expect(sourceCards()['Village fete']['every_days'])->toEqual(7);
});

it('offers for a trial the largest lot that may be hot', function (): void {
    $id = newSource();
    brought($id, ['polymer' => 'PVC-U', 'mass_g' => 90_000]);
    expect(sourceCards()['Village fete']['trial_lot'])->toBeNull();
    brought($id, ['mass_g' => 100]);
    $large = brought($id, ['mass_g' => 4000, 'colour' => 'red']);
    brought($id, ['polymer' => 'UNKNOWN', 'mass_g' => 50_000]);
    expect(sourceCards()['Village fete']['trial_lot'])->toBe($large['code']);
    // What is used up is not offered.
    $this->postJson("/api/v1/lots/{$large['id']}/acts", [
        'id' => fake_uuid(), 'kind' => 'waste', 'mass_g' => 4000, 'reason' => 'a test',
    ])->assertCreated();
    expect(sourceCards()['Village fete']['trial_lot'])->not->toBe($large['code']);
});

it('says what its ladder asks for, in words, and what a lead alone may say', function (): void {
    $id = newSource();
    $steps = sourceCards()['Village fete']['steps'];
    expect(array_column($steps, 'kind'))
        ->toBe(['small_trial_passed', 'small_trial_failed', 'delivery_good', 'delivery_failed'])
        ->and($steps[0])->toMatchArray([
            'says' => 'Small trial passed', 'lead_only' => false, 'needs_temperature' => true,
        ]);
    $event = fn (string $kind, array $more = []) => $this->signedIn('maren')
        ->postJson("/api/v1/sources/{$id}/events", ['id' => fake_uuid(), 'kind' => $kind] + $more)
        ->assertCreated()->json();
    $event('small_trial_passed', ['worked_at_c' => 183]);
    $full = $event('full_trial_passed', ['worked_at_c' => 186]);
    expect(array_column($full['steps'], 'lead_only', 'kind'))
        ->toBe(['accepted' => true, 'delivery_good' => false, 'delivery_failed' => false])
        ->and(array_column($full['events'], 'says'))->toBe(['Full-size trial passed', 'Small trial passed']);
    expect(array_column($event('accepted')['steps'], 'kind'))->toBe(['delivery_good', 'delivery_failed']);
});

it('stands first when it came last', function (): void {
    brought((int) Source::query()->where('name', 'Garden nursery')->value('id'));
    expect(array_key_first(sourceCards()))->toBe('Garden nursery');
    newSource();
    expect(array_key_last(sourceCards()))->toBe('Village fete');
});

it('asks the database as often for many sources as for few', function (): void {
    $count = static function (): int {
        DB::flushQueryLog();
        DB::enableQueryLog();
        sourceCards();
        DB::disableQueryLog();

        return count(DB::getQueryLog());
    };
    $few = $count();
    Source::factory()->count(40)->create();
    expect($count())->toBeLessThanOrEqual($few);
});

it('says of a lot what it wants before it may be used, and follows what is done to it', function (): void {
    $id = newSource();
    $next = fn (array $lot): array => array_column(
        $this->signedIn()->getJson("/api/v1/lots/{$lot['id']}")->assertOk()->json('next'),
        'id',
    );
    expect($next(brought($id, ['polymer' => 'UNKNOWN'])))->toBe(['find'])
        ->and($next(brought($id, ['polymer' => 'PVC-P'])))->toBe(['keep_cold']);
    $item = brought($id, ['form' => 'item']);
    expect($next($item))->toBe(['shred', 'small_trial']);
    [$flake] = $this->postJson("/api/v1/lots/{$item['id']}/acts", [
        'id' => fake_uuid(), 'kind' => 'shred', 'mass_in_g' => 5000, 'mass_out_g' => 4950,
    ])->assertCreated()->json('items');
    expect($next($flake))->toBe(['look', 'small_trial']);
    $this->postJson("/api/v1/lots/{$flake['id']}/acts", [
        'id' => fake_uuid(), 'kind' => 'contamination', 'found' => 'earth', 'found_g' => 0, 'sample_g' => 500,
    ])->assertCreated();
    expect($next($flake))->toBe(['small_trial']);
    $wet = brought(
        (int) Source::query()->where('name', 'Market co-op')->value('id'),
        ['polymer' => 'PA6', 'form' => 'pellet'],
    );
    expect($next($wet))->toBe(['dry', 'use']);
});

it('says how much of a mix the shelves give, whatever the case of its colours', function (): void {
    $source = (int) Source::query()->where('name', 'Market co-op')->value('id');
    brought($source, ['polymer' => 'PETG', 'colour' => 'Sky Blue', 'mass_g' => 3000]);
    brought($source, ['polymer' => 'PETG', 'colour' => 'sky blue', 'mass_g' => 1000]);
    brought($source, ['polymer' => 'PETG', 'colour' => 'ink', 'mass_g' => 500]);
    // Of another polymer it is another colour.
    brought($source, ['polymer' => 'PP', 'colour' => 'ink', 'mass_g' => 90_000]);
    $mix = fn (array $parts): array => $this->signedIn()->postJson('/api/v1/mixes', [
        'name' => 'lagoon '.count($parts), 'polymer' => 'PETG', 'after_version' => 0, 'note' => '',
        'components' => array_map(static fn (string $name, int $part): array => [
            'name' => $name, 'swatch' => '#336699', 'parts' => $part, 'kind' => 'colour',
        ], array_keys($parts), $parts),
    ])->assertCreated()->json('stock');
    expect($mix(['sky blue' => 8, 'ink' => 2]))->toMatchArray(['gives_g' => 2500, 'runs_out' => 'ink'])
        ->and($mix(['sky blue' => 1]))->toMatchArray(['gives_g' => 4000, 'runs_out' => 'sky blue'])
        ->and($mix(['sky blue' => 1, 'ink' => 1, 'gold' => 1]))->toMatchArray(['gives_g' => 0, 'runs_out' => 'gold']);
});
