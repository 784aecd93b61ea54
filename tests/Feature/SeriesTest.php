<?php

declare(strict_types=1);

use App\Material\Models\Charge;
use App\Material\Models\LotMovement;
use App\Material\Support\ChargeState;
use App\Runs\Models\Run;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** A charge that waits at the scale, weighed from one lot. */
function waitingCharge(TestCase $test, string $code, float $grams, string $polymer = 'HDPE'): string
{
    $id = fake_uuid();
    $test->postJson('/api/v1/charges', ['id' => $id, 'polymer' => $polymer, 'total_g' => $grams, 'scale_g' => 1])
        ->assertCreated();
    $test->postJson("/api/v1/charges/{$id}/weighings", [
        'id' => fake_uuid(), 'component' => 0, 'lot_id' => lot($code)->id, 'mass_g' => $grams, 'how' => 'hand',
    ])->assertCreated();
    $test->postJson("/api/v1/charges/{$id}/finish", ['id' => fake_uuid()])->assertCreated();

    return $id;
}

/** @param  list<array{string, array<string, mixed>}>  $entries  type and data, one right after the other */
function enter(TestCase $test, string $run, array $entries, float $ago = 5): TestResponse
{
    return $test->postJson("/api/v1/runs/{$run}/events", ['events' => array_map(
        static fn (array $e, int $i): array => entry($e[0], $e[1], null, shopNow() - $ago + 0.01 * $i),
        $entries,
        array_keys($entries),
    )]);
}

/** @return list<array{string, array<string, mixed>}> what makes a sheet ready, up to its scale */
function atTheScale(int $sheet): array
{
    $of = ['piece' => $sheet];

    return [
        ['piece_begun', $of],
        ...array_map(static fn (string $item): array => ['confirmed', ['step' => 'plates', 'item' => $item] + $of], [
            'wiped', 'smooth', 'release',
        ]),
        ['step_done', ['step' => 'plates'] + $of],
    ];
}

/** @param  array<string, mixed>  $values */
function scale(int $sheet, array $values): array
{
    return ['logged', ['entry' => 'weigh', 'values' => $values, 'piece' => $sheet]];
}

/** @return list<array{string, array<string, mixed>}> from the scale to the moment the stack is in */
function intoHeat(int $sheet): array
{
    $of = ['piece' => $sheet];

    return [
        ['step_done', ['step' => 'weigh'] + $of],
        ['confirmed', ['step' => 'spread', 'item' => 'corners'] + $of],
        ['confirmed', ['step' => 'spread', 'item' => 'even'] + $of],
        ['step_done', ['step' => 'spread'] + $of],
        ['step_done', ['step' => 'slide_in'] + $of],
    ];
}

/** A run of three sheets whose platens are hot. */
function ofThree(TestCase $test, array $over = []): string
{
    $run = startRun(['settings' => ['sheets' => 3]] + $over)->json('summary.id');
    enter($test, $run, [
        ['logged', ['entry' => 'platen', 'values' => ['top_c' => 186, 'low_c' => 184]]],
        ['step_done', ['step' => 'preheat']],
    ])->assertOk()->assertJsonPath('refused', []);

    return $run;
}

it('is worked by the procedure of several, and one sheet by that of one', function (): void {
    $one = startRun()->json('summary.id');
    expect(Run::query()->findOrFail($one)->procedureVersion->key)->toBe('compression');
    enter($this, $one, [['aborted', ['reason' => 'a test']]]);
    expect(Run::query()->findOrFail(ofThree($this))->procedureVersion->key)->toBe('compression_series');
});

it('takes a charge for each sheet: one from the start, one at the scale, and the lot for the rest', function (): void {
    $this->signedIn();
    $first = waitingCharge($this, 'L-0101', 2166);
    $second = waitingCharge($this, 'L-0101', 2170);
    $before = (float) lot('L-0101')->held_g;
    $run = ofThree($this, ['charge_id' => $first]);
    enter($this, $run, [...atTheScale(1), scale(1, ['mass_g' => 2168]), ...intoHeat(1)])->assertJsonPath('refused', []);
    // What two scales differ by is nobody's material.
    expect((float) lot('L-0101')->held_g)->toBe($before);

    enter(
        $this,
        $run,
        [...atTheScale(2), scale(2, ['mass_g' => 2170, 'charge' => $second])],
    )->assertJsonPath('refused', []);
    expect(
        Charge::query()->findOrFail($second)->only('status', 'run_id'),
    )->toBe(['status' => ChargeState::Used, 'run_id' => $run])
        ->and((float) lot('L-0101')->held_g)->toBe($before);
    // Once in, it is in: nothing is taken twice, and nothing is swapped.
    $weighed = collect($this->getJson("/api/v1/runs/{$run}")->json('entries'))->firstWhere('piece', 2)['key'];
    enter(
        $this,
        $run,
        [['corrected', ['event' => $weighed, 'values' => ['charge' => $first], 'reason' => 'the other']]],
    )
        ->assertJsonPath('refused.0.field', 'data.values.charge');
    expect((float) Run::query()->findOrFail($run)->materials()->value('mass_g'))->toBe(2166.0 + 2170.0);

    // Sheet 1 is out of the way, and so the third one may be made ready; it has no charge.
    enter(
        $this,
        $run,
        [['piece_dropped', ['piece' => 1, 'reason' => 'a test']], ...intoHeat(2)],
    )->assertJsonPath('refused', []);
    enter($this, $run, [...atTheScale(3), scale(3, ['mass_g' => 2160])])->assertJsonPath('refused', []);
    $drawn = $before - (float) lot('L-0101')->held_g;
    expect($drawn)->toEqualWithDelta(2168 + 2170 + 2160 - 2166 - 2170, 1e-6);
    // A weight that is put right puts the lot right.
    $third = collect($this->getJson("/api/v1/runs/{$run}")->json('entries'))->firstWhere('piece', 3)['key'];
    enter($this, $run, [['corrected', ['event' => $third, 'values' => ['mass_g' => 2150], 'reason' => 'misread']]])
        ->assertJsonPath('refused', []);
    expect($before - (float) lot('L-0101')->held_g)->toEqualWithDelta($drawn - 10, 1e-6)
        ->and(LotMovement::query()->where('run_id', $run)->count())->toBe(2);
});

it('takes no charge that its gate was not asked about', function (Closure $other, string $says): void {
    $this->signedIn();
    $charge = $other($this);
    $run = ofThree($this);
    enter($this, $run, atTheScale(1))->assertJsonPath('refused', []);
    $answer = enter($this, $run, [scale(1, ['mass_g' => 2166, 'charge' => $charge])]);
    expect($answer->json('refused.0'))->toMatchArray(['field' => 'data.values.charge'])
        ->and($answer->json('refused.0.message'))->toContain($says);
    expect(Charge::query()->find($charge)?->status)->not->toBe(ChargeState::Used);
})->with([
    'of another lot' => [static fn ($test): string => waitingCharge($test, 'L-0102', 2166), 'another lot than L-0101'],
    'of another polymer' => [static fn ($test): string => waitingCharge($test, 'L-0106', 2166, 'PP'), 'is PP'],
    'that is none' => [static fn (): string => fake_uuid(), 'names no weighed charge'],
]);

it('offers the charges that it would take, and no other', function (): void {
    $this->signedIn();
    $mine = [waitingCharge($this, 'L-0101', 2166), waitingCharge($this, 'L-0101', 2150)];
    waitingCharge($this, 'L-0102', 2166);
    waitingCharge($this, 'L-0106', 2166, 'PP');
    $run = ofThree($this);
    $offered = static fn (): array => array_column(
        test()->getJson("/api/v1/runs/{$run}/charges")->assertOk()->json('items'),
        'id',
    );
    expect($offered())->toBe($mine);
    enter(
        $this,
        $run,
        [...atTheScale(1), scale(1, ['mass_g' => 2166, 'charge' => $mine[0]])],
    )->assertJsonPath('refused', []);
    expect($offered())->toBe([$mine[1]]);
});

it('heats no sheet that finds the cold press full, and says when it may', function (): void {
    $run = ofThree($this);
    enter($this, $run, [...atTheScale(1), scale(1, ['mass_g' => 2166]), ...intoHeat(1)])->assertJsonPath('refused', []);
    $made = [...atTheScale(2), scale(2, ['mass_g' => 2166]), ...intoHeat(2)];
    $refused = enter($this, $run, $made)->json('refused');
    // spread is not done, and so neither is sliding in
    expect(array_column($refused, 'message')[0] ?? null)->toContain('free when it is hot');
    $hands = $this->getJson("/api/v1/runs/{$run}")->json('hands');
    $next = collect($hands)->first(static fn (array $h): bool => $h['piece'] === 2);
    expect($next)->toMatchArray(['what' => 'Slide in, close', 'machine' => 'Anvil'])
        ->and($next['at'])->toBeGreaterThan(shopNow() + 60);
});

it('keeps the model of each sheet as it really went, and each check with its sheet', function (): void {
    $run = ofThree($this);
    $of = ['piece' => 1];
    Run::query()->whereKey($run)->update(['started_at' => now()->subHour()]);
    $ready = [...atTheScale(1), scale(1, ['mass_g' => 2166]), ...intoHeat(1)];
    enter($this, $run, $ready, 1200)->assertJsonPath('refused', []);
    enter($this, $run, [
        ['step_done', ['step' => 'heat', 'reason' => 'a test'] + $of],
        ['step_done', ['step' => 'transfer'] + $of],
        ['step_done', ['step' => 'pressure_on'] + $of],
        ['step_done', ['step' => 'cool', 'reason' => 'a test'] + $of],
        ...array_map(
            static fn (string $i): array => ['confirmed', ['step' => 'open', 'item' => $i] + $of],
            ['wiped_off', 'flat', 'marked'],
        ),
        ['step_done', ['step' => 'open'] + $of],
        ['logged', ['entry' => 'inspection', 'values' => ['mass_g' => 2080, 'points' => array_map(
            static fn (int $i): array => [
                'x_mm' => 50 + 250 * ($i % 3),
                'y_mm' => 25 + 200 * intdiv($i, 3),
                't_mm' => 8.0 + 0.05 * $i,
            ],
            range(0, 8),
        )]] + $of],
    ])->assertJsonPath('refused', []);
    $whole = $this->getJson("/api/v1/runs/{$run}")->json();
    expect($whole['checks'])->toHaveCount(1)
        ->and($whole['checks'][0])->toMatchArray(['piece' => 1, 'kind' => 'sheet_grid'])
        ->and($whole['checks'][0]['figures']['range_mm'])->toEqualWithDelta(0.4, 1e-9)
        ->and($whole['setup']['pieces']['1']['turn_min'])->toEqualWithDelta(1195 / 60, 0.05)
        ->and($whole['setup']['turn_min'])->toBeLessThan(16)
        ->and($whole['setup']['pieces']['1']['curve'])->not->toBeEmpty();
    $record = $this->getJson("/api/v1/runs/{$run}.json")->json();
    expect($record['checks'][0]['result']['grid']['mean'])->toEqualWithDelta(8.2, 1e-9);
});
