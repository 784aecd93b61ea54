<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;

/** @return list<Polymer> everything that is moulded here */
function moulded(): array
{
    return array_values(array_filter(
        (new PolymerLibrary)->all(),
        static fn (Polymer $p): bool => ! $p->neverHot() && $p->meltWindow() !== null,
    ));
}

function purge(string $from, string $to, array $over = []): object
{
    return (new Registry)->run(
        'changeover.purge',
        $over + ['from' => ['polymer' => $from], 'to' => ['polymer' => $to], 'barrel_volume_cm3' => 100],
    );
}

it('drives no polymer over its ceiling and pushes no plug that is solid, on any leg of any pair', function (): void {
    $library = new PolymerLibrary;
    $pairs = 0;
    foreach (moulded() as $old) {
        foreach (moulded() as $new) {
            $plan = purge($old->code, $new->code);
            if ($plan->route === null) {
                expect($plan->set_c)->toBe([])
                    ->and($plan->mass_g)
                    ->toBeNull()
                    ->and($plan->stop)
                    ->toContain('take it out cold');

                continue;
            }
            expect($plan->route[0])->toBe($old->code)->and($plan->route[count($plan->route) - 1])->toBe($new->code)
                ->and($plan->set_c)->toHaveCount(max(1, count($plan->route) - 1));
            foreach ($plan->set_c as $i => $set) {
                $a = $library->get($plan->route[$i]);
                $b = $library->get($plan->route[min($i + 1, count($plan->route) - 1)]);
                expect($set)->toBeLessThanOrEqual(min($a->ceiling(), $b->ceiling()), "{$old->code} to {$new->code}")
                    ->toBeGreaterThanOrEqual(max($a->meltWindow()->min, $b->meltWindow()->min))
                    ->and($a->dangerWith($b))->toBeNull();
            }
            $pairs++;
        }
    }
    expect($pairs)->toBeGreaterThan(300);
});

it('takes as few legs as there are, by a search that tries them all', function (): void {
    $library = new PolymerLibrary;
    $meets = static function (string $a, string $b) use ($library): bool {
        [$x, $y] = [$library->get($a), $library->get($b)];

        return $x->dangerWith($y) === null && max(
            $x->meltWindow()->min,
            $y->meltWindow()->min,
        ) <= min($x->ceiling(), $y->ceiling());
    };
    $codes = array_map(static fn (Polymer $p): string => $p->code, moulded());
    foreach ($codes as $from) {
        $legs = [$from => 0];
        for ($far = 0, $edge = [$from]; $edge !== []; $far++) {
            $next = [];
            foreach ($edge as $at) {
                foreach ($codes as $to) {
                    if (! isset($legs[$to]) && $meets($at, $to)) {
                        $legs[$to] = $far + 1;
                        $next[] = $to;
                    }
                }
            }
            $edge = $next;
        }
        foreach ($codes as $to) {
            $plan = purge($from, $to);
            expect(
                $plan->route === null ? null : count($plan->route) - 1,
            )->toBe($legs[$to] ?? null, "{$from} to {$to}");
        }
    }
});

it('goes over something when the two must not meet, and says which they are', function (): void {
    $plan = purge('POM', 'PA66');
    expect($plan->route)->toHaveCount(3)
        ->and($plan->stop)
        ->toContain('must not meet')
        ->and($plan->set_c[0])
        ->toBeLessThanOrEqual(225.0)
        ->and($plan->warnings)->not
        ->toBe([]);
    expect(purge('POM', 'PA66', ['available' => ['PC', 'HDPE']])->route)->toBe(['POM', 'HDPE', 'PA66']);
    expect(purge('POM', 'PA66', ['available' => ['PC']])->route)->toBeNull();
    expect(fn () => purge('POM', 'PA66', ['available' => ['soap']]))->toThrow(
        fn (InputError $e) => expect($e->field)->toBe('available.0'),
    );
});

it('gives no set-point to anything of PVC, hard or soft, new or old', function (string $from, string $to): void {
    $plan = purge($from, $to);
    expect($plan->route)->toBeNull()
        ->and($plan->set_c)
        ->toBe([])
        ->and($plan->volume_cm3)
        ->toBeNull()
        ->and($plan->stop)
        ->toContain('hydrogen chloride');
})->with([
    ['PVC-U', 'PP'],
    ['PP', 'PVC-U'],
    ['PVC-P', 'HDPE'],
    ['ABS', 'PVC-P'],
    ['PVC-U', 'PVC-P'],
    ['PVC-U', 'PVC-U'],
]);

it('washes more out the longer it runs, and the plug alone when nothing mixes', function (): void {
    expect(purge('PP', 'PP', ['mixing' => 0])->volume_cm3)->toEqualWithDelta(100.0, 1e-9)
        ->and(purge('PP', 'PP', ['residual_pct' => 0.1])->volume_cm3)
        ->toBeGreaterThan(purge('PP', 'PP', ['residual_pct' => 1])->volume_cm3)
        ->and(
            purge('PP', 'HDPE', ['throughput_cm3_min' => 50])->minutes,
        )->toEqualWithDelta(purge('PP', 'HDPE')->volume_cm3 / 50, 1e-9);
});

it('leaves a job that nothing leads to out of the order, by name, and prices the others by their route', function (): void {
    $job = static fn (string $id, string $polymer): array => [
        'id' => $id,
        'polymer' => $polymer,
        'set_c' => 220,
        'lightness' => 0.5,
    ];
    $plan = (new Registry)->run('changeover.sequence', [
        'jobs' => [$job('vinyl', 'PVC-U'), $job('clips', 'PP'), $job('gears', 'POM'), $job('soft', 'PVC-P')],
        'start' => ['polymer' => 'PA6', 'set_c' => 220, 'lightness' => 0.5], 'barrel_volume_cm3' => 100,
    ]);
    expect($plan->impossible)->toBe(['vinyl', 'soft'])
        ->and($plan->order)
        ->toEqualCanonicalizing(['clips', 'gears'])
        ->and($plan->matrix[0][0])
        ->toBeNull();
    // PA6 to POM goes over another: two legs of purge, as changeover.purge says.
    $direct = array_values(array_filter($plan->legs, static fn ($l): bool => $l->to === 'gears'))[0];
    $legs = count(purge($direct->from === 'start' ? 'PA6' : 'PP', 'POM')->route) - 1;
    expect($direct->purge_min)->toEqualWithDelta($legs * 100 * (0.4 + 0.6 * log(200)) / 50, 1e-9);
    $stuck = (new Registry)->run(
        'changeover.sequence',
        [
            'jobs' => [$job('clips', 'PP')],
            'start' => ['polymer' => 'PVC-U', 'set_c' => 150, 'lightness' => 0.5],
            'barrel_volume_cm3' => 100,
        ],
    );
    expect($stuck->order)->toBe([])->and($stuck->impossible)->toBe(['clips']);
});

/** By hand: barrel·(0.4 + 0.6·ln(100/left)) for each leg; 0.5 % of another polymer, 0.2 under lighter, 2 under darker. */
it('prices one change by what is purged on each leg, by heat and by mould', function (
    array $from,
    array $to,
    array $left,
    float $heat,
    float $mould,
): void {
    $leg = (new Registry)->run('changeover.sequence', [
        'jobs' => [['id' => 'next', ...$to]],
        'start' => $from,
        'barrel_volume_cm3' => 80,
        'throughput_cm3_min' => 40,
        'heat_k_min' => 5,
        'cool_k_min' => 2,
        'mould_min' => 35,
    ])->legs[0];
    $purge = array_sum(array_map(static fn (float $pct): float => 80 * (0.4 + 0.6 * log(100 / $pct)) / 40, $left));
    expect($leg->purge_min)->toEqualWithDelta($purge, 1e-9)
        ->and($leg->temperature_min)->toEqualWithDelta($heat, 1e-9)
        ->and($leg->mould_min)->toEqualWithDelta($mould, 1e-9)
        ->and($leg->minutes)->toEqualWithDelta(max($purge + $heat, $mould), 1e-9);
})->with(function (): array {
    $is = static fn (string $polymer, float $set, float $lightness, ?string $mould = 'Dormouse'): array => [
        'polymer' => $polymer, 'set_c' => $set, 'lightness' => $lightness, 'mould' => $mould,
    ];

    return [
        'nothing changes' => [$is('PP', 220, 0.5), $is('PP', 220, 0.55), [], 0.0, 0.0],
        'over another, to a lighter' => [$is('PA6', 250, 0.2), $is('POM', 200, 0.9), [0.5, 0.2], 25.0, 0.0],
        'the same, lighter, hotter' => [$is('PP', 210, 0.2), $is('PP', 230, 0.9), [0.2], 4.0, 0.0],
        'the same, darker' => [$is('PP', 220, 0.9), $is('PP', 220, 0.2), [2.0], 0.0, 0.0],
        'another, darker' => [$is('HDPE', 220, 0.9), $is('PP', 220, 0.2), [0.5], 0.0, 0.0],
        'the mould alone' => [$is('PP', 220, 0.5), $is('PP', 220, 0.5, 'Vole'), [], 0.0, 35.0],
    ];
});

it('keeps to the shortest order past what it tries out whole', function (): void {
    $jobs = array_map(static fn (int $i): array => [
        'id' => "job {$i}", 'polymer' => 'PP', 'set_c' => 200 + 7 * (($i * 5) % 14), 'lightness' => 0.5, 'mould' => 'Vole',
    ], range(0, 13));
    $plan = (new Registry)->run('changeover.sequence', [
        'jobs' => $jobs,
        'start' => ['polymer' => 'PP', 'set_c' => 200, 'lightness' => 0.5, 'mould' => 'Vole'],
        'barrel_volume_cm3' => 80,
    ]);
    // Fourteen that differ in heat alone: from the coolest up, each kelvin once.
    $sets = array_map(static fn (string $id): int => $jobs[(int) substr($id, 4)]['set_c'], $plan->order);
    expect($sets)->toBe(array_map(static fn (int $i): int => 200 + 7 * $i, range(0, 13)))
        ->and($plan->total_changeover_min)->toEqualWithDelta(7 * 13 / 6.0, 1e-6);
});
