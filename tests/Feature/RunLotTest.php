<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Runs\Data\MadeOfData;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Queries\MadeOf;

require_once __DIR__.'/../../core/tests/walk.php';

/** @return array{string, Lot} a run of shots that is ready to be filled, of L-0106, and another lot of what it is of */
function shotsAndAnotherLot(string $form = 'flake'): array
{
    $case = test();
    $first = lot('L-0106');
    $other = Lot::query()->create([
        'code' => 'L-0990', 'form' => $form, 'location' => 'Rack C2', 'colour' => 'light grey', 'swatch' => '#123456',
    ] + $first->only(['source_id', 'polymer']));
    counted($other, 3000);
    $run = $case->signedIn()->postJson('/api/v1/runs', jobOf('entrance reducer', 'barrel', 'Heron', 'L-0106'))
        ->assertCreated()->json('summary.id');
    tell($run, [
        ['type' => 'logged', 'data' => ['entry' => 'zones', 'values' => ['barrel_c' => 219, 'nozzle_c' => 220]]],
        ['type' => 'step_done', 'data' => ['step' => 'heat_up']],
    ])->assertJsonPath('refused', []);

    return [$run, $other];
}

function counted(Lot $lot, float $grams): void
{
    LotMovement::query()->create([
        'lot_id' => $lot->id, 'mass_g' => $grams, 'kind' => 'corrected', 'reason' => 'counted', 'by_id' => person()->id,
        'at' => now(),
    ]);
}

function loadOf(float $grams): array
{
    return ['type' => 'logged', 'data' => ['entry' => 'load', 'values' => ['mass_g' => $grams]]];
}

function drawnFrom(Lot $lot, string $run): float
{
    return -(float) LotMovement::query()->where('lot_id', $lot->id)->where('run_id', $run)->sum('mass_g');
}

it('draws from the lot that goes in when something is loaded, and puts an entry right in its own', function (): void {
    [$run, $other] = shotsAndAnotherLot();
    $before = tell($run, [loadOf(90)])->assertJsonPath('refused', [])->json('stored.0');
    $change = ['id' => fake_uuid(), 'lot_id' => $other->id];
    $this->postJson("/api/v1/runs/{$run}/lots", $change)->assertOk()
        ->assertJsonPath('events.'.(RunEvent::query()->where('run_id', $run)->count() - 1).'.data.code', 'L-0990');
    // Sent twice it is done once.
    $this->postJson("/api/v1/runs/{$run}/lots", $change)->assertOk();
    expect(RunEvent::query()->where('run_id', $run)->where('type', 'lot_changed')->count())->toBe(1);
    tell($run, [loadOf(30)])->assertJsonPath('refused', []);
    expect(drawnFrom(lot('L-0106'), $run))->toBe(90.0)->and(drawnFrom($other, $run))->toBe(30.0);
    // What was loaded before the change is of the lot before.
    tell($run, [[
        'type' => 'corrected',
        'data' => ['event' => $before, 'values' => ['mass_g' => 80], 'reason' => 'read wrongly'],
    ]])->assertJsonPath('refused', []);
    expect(drawnFrom(lot('L-0106'), $run))->toBe(80.0)->and(drawnFrom($other, $run))->toBe(30.0);
    $masses = collect($this->getJson("/api/v1/runs/{$run}")->json('materials'))->pluck('mass_g', 'lot');
    expect($masses->all())->toEqual(['L-0106' => 80, 'L-0990' => 30]);
});

it('says which lots are in which shots', function (): void {
    [$run, $other] = shotsAndAnotherLot();
    $mass = Run::query()->findOrFail($run)->plan['shot_mass_g'];
    expect($this->getJson("/api/v1/runs/{$run}")->json('made_of'))->toBe([]);
    tell($run, [loadOf(round(2 * $mass, 1))])->assertJsonPath('refused', []);
    $this->postJson("/api/v1/runs/{$run}/lots", ['id' => fake_uuid(), 'lot_id' => $other->id])->assertOk();
    walkRun($run);
    foreach ([1, 2] as $piece) {
        tell($run, [['type' => 'piece_begun', 'data' => ['piece' => $piece]]])->assertJsonPath('refused', []);
        walkRun($run, $piece);
    }
    $made = $this->getJson("/api/v1/runs/{$run}")->assertOk()->json('made_of');
    expect($made[0]['from'])->toBe(1)->and(end($made)['to'])->toBe(2);
    foreach ($made as $of) {
        expect(array_sum($of['shares']))->toEqualWithDelta(1.0, 0.011);
    }
    // A recall of the second names the shots that have of it, as the record does.
    $first = collect($made)->firstOrFail(static fn (array $of): bool => isset($of['shares']['L-0990']))['from'];
    $node = collect(
        $this->getJson("/api/v1/lots/{$other->id}/trace")->assertOk()->json('nodes'),
    )->firstWhere('id', "run:{$run}");
    expect($node['pieces'])->toBe($first === 2 ? '2' : '1 to 2')
        ->and($this->get("/api/v1/lots/{$other->id}/recall.csv")->getContent())->toContain($node['pieces']);
});

it('lists pieces in as few words as they follow one another', function (): void {
    $of = static fn (int $from, int $to, array $shares): MadeOfData => new MadeOfData($from, $to, (object) $shares);
    $made = [
        $of(1, 3, ['A' => 1.0]), $of(4, 4, ['A' => 0.4, 'B' => 0.6]), $of(5, 8, ['B' => 1.0]), $of(9, 9, ['A' => 1.0]),
    ];
    expect(MadeOf::spans($made, ['A']))->toBe('1 to 4, 9')
        ->and(MadeOf::spans($made, ['B']))->toBe('4 to 8')
        ->and(MadeOf::spans($made, ['A', 'B']))->toBe('1 to 9')
        ->and(MadeOf::spans($made, ['C']))->toBe('');
});

it('asks the safety rules of it as of the first, and takes no such entry by the door of the others', function (): void {
    [$run, $other] = shotsAndAnotherLot(form: 'film');
    $there = collect($this->getJson("/api/v1/runs/{$run}/lots")->assertOk()->json('items'))->keyBy('code');
    expect($there['L-0990']['stops'][0])->toContain('film')
        ->and($there->has('L-0106'))->toBeFalse()
        ->and($there->has('L-0101'))->toBeFalse();
    $this->postJson("/api/v1/runs/{$run}/lots", ['id' => fake_uuid(), 'lot_id' => $other->id])
        ->assertUnprocessable()->assertJsonPath('error.field', 'safety');
    $this->postJson("/api/v1/runs/{$run}/lots", ['id' => fake_uuid(), 'lot_id' => lot('L-0101')->id])
        ->assertUnprocessable()->assertJsonPath('error.field', 'lot_id');
    $this->postJson("/api/v1/runs/{$run}/lots", ['id' => fake_uuid(), 'lot_id' => lot('L-0106')->id])
        ->assertUnprocessable()->assertJsonPath('error.field', 'lot_id');
    $this->postJson("/api/v1/runs/{$run}/events", [
        'events' => [entry('lot_changed', ['lot' => $other->id, 'code' => 'L-0990'])],
    ])->assertUnprocessable();
    expect(Run::query()->findOrFail($run)->materials()->pluck('lot_id')->all())->toBe([lot('L-0106')->id]);
});

it('goes over to no empty lot, and to none once it is over', function (): void {
    [$run, $other] = shotsAndAnotherLot();
    counted($other, -3000);
    $take = fn () => $this->postJson("/api/v1/runs/{$run}/lots", ['id' => fake_uuid(), 'lot_id' => $other->id]);
    $take()->assertUnprocessable()->assertJsonPath('error.message', 'L-0990 is empty');
    counted($other, 500);
    tell($run, [['type' => 'aborted', 'data' => ['reason' => 'only a test']]])->assertJsonPath('refused', []);
    $take()->assertUnprocessable();
    expect(Run::query()->findOrFail($run)->materials()->count())->toBe(1);
});

it('offers other lots to a run of every process, by the rules of each', function (): void {
    $this->signedIn();
    $asked = [];
    foreach (Run::query()->with('product')->whereIn('id', Run::query()->selectRaw('distinct on (product_id) id'))->get() as $run) {
        foreach ($this->getJson("/api/v1/runs/{$run->id}/lots")->assertOk()->json('items') as $other) {
            $lot = lot($other['code']);
            expect($lot->polymer)->toBe($run->polymer)
                ->and((float) $lot->held_g)->toBeGreaterThan(0.0)
                ->and(
                    $run->product->process === 'vacuum_forming' && $lot->form !== 'sheet' && $other['stops'] === [],
                )->toBeFalse();
        }
        $asked[] = $run->product->process;
    }
    expect(array_unique($asked))->toEqualCanonicalizing(['compression', 'injection', 'extrusion', 'vacuum_forming']);
});

it('leaves in the machine the colour that went in last', function (): void {
    [$run, $other] = shotsAndAnotherLot();
    tell($run, [loadOf(60)])->assertJsonPath('refused', []);
    $this->postJson("/api/v1/runs/{$run}/lots", ['id' => fake_uuid(), 'lot_id' => $other->id])->assertOk();
    tell($run, [loadOf(30)])->assertJsonPath('refused', []);
    walkRun($run);
    tell($run, [['type' => 'closing', 'data' => []]])->assertJsonPath('refused', []);
    walkRun($run);
    $left = RunEvent::query()->where('run_id', $run)->where('data->entry', 'left')->firstOrFail()->key;
    tell($run, [[
        'type' => 'corrected',
        'data' => ['event' => $left, 'values' => ['what' => 'what was run'], 'reason' => 'it is full'],
    ]])->assertJsonPath('refused', []);
    $run = Run::query()->with('stations.machine')->findOrFail($run);
    expect($run->status)->toBe('finished')
        ->and($run->mainMachine()->last_swatch)->toBe('#123456');
});

it('takes strips only while it is fed with the lot that they are of', function (): void {
    [, $feeding] = stripsAndTheirInjector();
    readyToFill($feeding);
    $this->postJson("/api/v1/runs/{$feeding}/lots", ['id' => fake_uuid(), 'lot_id' => lot('L-0106')->id])->assertOk();
    expect($this->getJson("/api/v1/runs/{$feeding}/rack")->assertOk()->json('items'))->toBe([]);
    $this->postJson("/api/v1/runs/{$feeding}/rack", ['id' => fake_uuid(), 'strip' => 2, 'piece' => null])
        ->assertUnprocessable()->assertJsonPath('error.field', 'strip');
});

it('puts nothing that is trusted less, or was made again more often, into a container that is open', function (): void {
    [$cutting] = stripsAndTheirInjector();
    $worn = Lot::query()->create([
        'code' => 'L-0991', 'form' => 'flake', 'location' => '', 'colour' => 'grey', 'generation' => 3,
    ] + lot('L-0106')->only(['source_id', 'polymer', 'swatch']));
    counted($worn, 3000);
    $of = fn (string $run): array => collect($this->getJson("/api/v1/runs/{$run}/lots")->assertOk()->json('items'))
        ->firstWhere('code', 'L-0991')['stops'];
    expect($of($cutting))->toHaveCount(1)->and($of($cutting)[0])->toContain('made again more often');
    $this->postJson("/api/v1/runs/{$cutting}/lots", ['id' => fake_uuid(), 'lot_id' => $worn->id])
        ->assertUnprocessable()->assertJsonPath('error.blocks.0.id', 'one_container');
});
