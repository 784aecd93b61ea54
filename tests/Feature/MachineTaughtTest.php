<?php

declare(strict_types=1);

use App\Bench\Models\Task;
use App\Causes\Queries\MachineTaught;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;

function anvil(array $facts = []): Machine
{
    $machine = Machine::query()->where('name', 'Anvil')->firstOrFail();
    if ($facts !== []) {
        $machine->update(['facts' => array_filter(
            $facts + $machine->facts,
            static fn (mixed $v): bool => $v !== null,
        )]);
    }

    return $machine->refresh();
}

it('says the same of a press that is known as its readings have it', function (): void {
    $learnt = app(MachineTaught::class)->of(anvil());
    expect($learnt->says)->toContain('the same as what is known of it')
        ->and($learnt->otherwise)->toBeFalse()
        ->and($learnt->enough)->toBeTrue()
        ->and(count($learnt->runs))->toBeGreaterThanOrEqual(2)
        ->and(count($learnt->run_ids))->toBe(count($learnt->runs));
    $facts = array_column($learnt->facts, null, 'name');
    expect(array_keys($facts))->toBe(['heater_kw', 'platen_kj_k', 'loss_kw']);
    foreach ($facts as $fact) {
        expect($fact->low)->toBeLessThanOrEqual($fact->value)->and($fact->high)->toBeGreaterThanOrEqual($fact->value);
    }
    // Heater less loss is what a sagging platen tells.
    expect($facts['heater_kw']->value - $facts['loss_kw']->value)->toEqualWithDelta(1.7, 0.25);
});

it('says in minutes what a plate that lies would cost', function (): void {
    $learnt = app(MachineTaught::class)->of(anvil(['heater_kw' => 6.0]));
    expect($learnt->otherwise)->toBeTrue()
        ->and(preg_match(
            '/takes (\d+) % longer than .*: ([\d.]+) min .* instead of ([\d.]+)\./',
            $learnt->says,
            $by,
        ))->toBe(1)
        ->and((float) $by[2] / (float) $by[3] - 1)->toEqualWithDelta((int) $by[1] / 100, 0.02);
});

it('knows something where nothing was known', function (): void {
    $learnt = app(MachineTaught::class)->of(anvil(['heater_kw' => null, 'platen_kj_k' => null, 'loss_kw' => null]));
    expect($learnt->says)->toContain('Nothing was known of it.')
        ->and($learnt->otherwise)->toBeTrue()
        ->and(array_column($learnt->facts, 'was'))->toBe([null, null, null]);
});

it('asks a former for looks, learns its heater from those of its runs, and needs no channel for it', function (): void {
    $bellows = Machine::query()->where('name', 'Bellows')->firstOrFail();
    expect(fn () => app(MachineTaught::class)->of($bellows))->toThrow(InputError::class, 'log a look while one heats');
    foreach (Run::query()->whereHas('stations', fn ($s) => $s->where('machine_id', $bellows->id)->where('role', 'former'))
        ->where('status', 'finished')->with([
            'events.by', 'procedureVersion', 'product',
        ])->orderByDesc('started_at')->limit(2)->get() as $run) {
        foreach ($run->state()->answered('heat') as $piece => [$from, $to]) {
            RunEvent::query()->create([
                'run_id' => $run->id, 'seq' => 1000 + $piece, 'key' => fake_uuid(), 'type' => 'logged',
                'by_id' => person()->id,
                'at' => Seconds::moment($to - 1), 'recorded_at' => Seconds::moment($to), 'source' => 'tap',
                'data' => ['entry' => 'look', 'values' => ['cue' => 'flat again'], 'piece' => $piece, 'step' => 'heat'],
            ]);
        }
    }
    $learnt = app(MachineTaught::class)->of($bellows);
    expect($learnt->says)->toContain('sheets says')
        ->and($learnt->facts[0]->name)->toBe('heater_c')
        ->and($learnt->facts[0]->value)->toBeGreaterThan(150)->toBeLessThan(900)
        ->and(count($learnt->runs))->toBe(2);
    $this->signedIn('ines')->getJson("/api/v1/machines/{$bellows->id}")->assertOk()->assertJsonPath('learns', true);
});

it('says what is wanted of a press that was never read', function (): void {
    $machine = Machine::query()->create(['name' => 'Bare press', 'kind' => anvil()->kind, 'facts' => []]);
    app(MachineTaught::class)->of($machine);
})->throws(InputError::class, 'have no readings of the platens yet');

it('is reckoned in the queue, once asked, and is not asked of what teaches nothing', function (): void {
    $this->signedIn('ines')->getJson('/api/v1/machines/'.anvil()->id)->assertOk()->assertJsonPath('learns', true);
    $this->postJson('/api/v1/machines/'.anvil()->id.'/learnt')->assertStatus(202)->assertJsonPath('kind', 'learn');
    expect(Task::query()->where('kind', Task::LEARN)->count())->toBe(1);
    $attic = machineNamed('Attic');
    $this->getJson("/api/v1/machines/{$attic}")->assertOk()->assertJsonPath('learns', false);
    $this->postJson("/api/v1/machines/{$attic}/learnt")->assertStatus(422)->assertJsonPath('error.field', 'machine');
});

it('is used by a lead as fitted, and taken back as it was', function (): void {
    $anvil = anvil();
    $after = fn (): int => (int) $anvil->factLog()->max('id');
    $say = fn (float $value, string $origin, string $login) => $this->signedIn($login)->postJson(
        "/api/v1/machines/{$anvil->id}/facts",
        [
            'after' => $after(), 'facts' => ['heater_kw' => ['value' => $value, 'origin' => $origin]],
            'note' => 'fitted from run 140',
        ],
    );
    $say(1.9, 'fitted', 'ines')->assertForbidden();
    $say(1.9, 'fitted', 'maren')->assertSuccessful();
    $log = $this->getJson("/api/v1/machines/{$anvil->id}")->json('log');
    expect(end($log))
        ->toMatchArray(['name' => 'heater_kw', 'value' => 1.9, 'origin' => 'fitted', 'note' => 'fitted from run 140']);
    $say(2.2, 'plate', 'maren')->assertSuccessful();
    expect(anvil()->facts['heater_kw'])->toEqual(2.2);
});
