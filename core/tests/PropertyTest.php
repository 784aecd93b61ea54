<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Conduction\Grid;
use Dithermic\Core\Heat\Conduction\Substance;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\PolymerLibrary;

function calc(string $name, mixed $input): object
{
    return (new Registry)->run($name, $input);
}

/** Every number in an answer, however deep. */
function numbersOf(mixed $value): Generator
{
    if (is_array($value)) {
        foreach ($value as $inner) {
            yield from numbersOf($inner);
        }
    } elseif (is_int($value) || is_float($value)) {
        yield $value;
    }
}

it('weighs a blend that adds up to the target on the scale, always', function (): void {
    mt_srand(7);
    for ($i = 0; $i < 300; $i++) {
        $step = [0.1, 0.5, 1, 2, 5][mt_rand(0, 4)];
        $total = mt_rand(10, 50000) / 10;
        $parts = array_map(
            static fn (int $n): array => ['name' => "c{$n}", 'parts' => mt_rand(1, 1000) / 10],
            range(1, mt_rand(1, 8)),
        );
        $blend = calc(
            'charge.blend',
            ['total_mass_g' => $total, 'scale_resolution_g' => $step, 'components' => $parts],
        );
        $wanted = floor($total / $step + 0.5 + 1e-9) * $step;
        expect($blend->total_rounded_g)->toEqualWithDelta($wanted, 1e-6)
            ->and(array_sum(array_column($blend->components, 'rounded_g')))
            ->toEqualWithDelta($wanted, 1e-6);
        foreach ($blend->components as $c) {
            expect(abs($c->rounded_g - $c->mass_g))->toBeLessThanOrEqual($step * (1 + 1e-6));
        }
        if ($blend->premix !== null) {
            // What is taken of the last premix carries exactly the mass that was too small to weigh.
            $carried = $blend->premix->use_g;
            foreach ($blend->premix->stages as $stage) {
                $carried *= $stage->take_g / $stage->premix_g;
                expect($stage->carrier_g)->toBeLessThanOrEqual($total + $step)
                    ->and($stage->take_g)
                    ->toBeGreaterThanOrEqual(20 * $step * (1 - 1e-9));
            }
            expect($blend->premix->use_g)->toBeGreaterThanOrEqual(20 * $step * (1 - 1e-9))
                ->and($carried)
                ->toEqualWithDelta(min(array_column($blend->components, 'mass_g')), 1e-6);
        }
    }
});

it('lays blanks that never overlap or leave the sheet, and never fewer than one way gives', function (): void {
    mt_srand(11);
    for ($i = 0; $i < 150; $i++) {
        $in = [
            'stock_length_mm' => mt_rand(300, 2500),
            'stock_width_mm' => mt_rand(300, 1300),
            'blank_length_mm' => mt_rand(60, 600),
            'blank_width_mm' => mt_rand(60, 600),
            'kerf_mm' => mt_rand(0, 6),
            'edge_trim_mm' => mt_rand(0, 20),
            'grain_fixed' => (bool) mt_rand(0, 1),
        ];
        $laid = calc('charge.blanks', $in);
        $one = fn (float $a, float $b): int => (int) (
            floor(
                ($in['stock_length_mm'] - 2 * $in['edge_trim_mm'] + $in['kerf_mm']) / ($a + $in['kerf_mm']),
            ) * floor(($in['stock_width_mm'] - 2 * $in['edge_trim_mm'] + $in['kerf_mm']) / ($b + $in['kerf_mm']))
        );
        expect($laid->count)->toBeGreaterThanOrEqual($one($in['blank_length_mm'], $in['blank_width_mm']));
        $in['grain_fixed'] || expect($laid->count)->toBeGreaterThanOrEqual($one(
            $in['blank_width_mm'],
            $in['blank_length_mm'],
        ));
        foreach ($laid->layout as $n => $a) {
            expect($a->x_mm + $a->length_mm)->toBeLessThanOrEqual($in['stock_length_mm'] - $in['edge_trim_mm'] + 1e-6)
                ->and($a->y_mm + $a->width_mm)
                ->toBeLessThanOrEqual($in['stock_width_mm'] - $in['edge_trim_mm'] + 1e-6);
            foreach (array_slice($laid->layout, 0, $n) as $b) {
                $apart = $a->x_mm + $a->length_mm + $in['kerf_mm'] <= $b->x_mm + 1e-6
                    || $b->x_mm + $b->length_mm + $in['kerf_mm'] <= $a->x_mm + 1e-6
                    || $a->y_mm + $a->width_mm + $in['kerf_mm'] <= $b->y_mm + 1e-6
                        || $b->y_mm + $b->width_mm + $in['kerf_mm'] <= $a->y_mm + 1e-6;
                $apart || $this->fail('two blanks are closer than the kerf: '.json_encode($in));
            }
        }
    }
});

it('counts the layouts of narrow strips before it lays one', function (): void {
    $in = [
        'stock_length_mm' => 20000, 'stock_width_mm' => 1, 'blank_length_mm' => 0.1, 'blank_width_mm' => 1,
    ];
    $before = hrtime(true);
    expect(calc('charge.blanks', $in)->count)->toBe(200000)
        ->and((hrtime(true) - $before) / 1e9)->toBeLessThan(10.0)
        ->and(fn () => calc('charge.blanks', [
            'stock_width_mm' => 0.001, 'blank_length_mm' => 1e-6, 'blank_width_mm' => 20000,
        ] + $in))->toThrow(InputError::class, '200 000 cuts');
});

it('finds the best order of jobs, as trying them all does', function (): void {
    mt_srand(3);
    $polymers = ['HDPE', 'PP', 'LDPE', 'HIPS'];
    for ($i = 0; $i < 12; $i++) {
        $jobs = array_map(
            static fn (int $n): array => [
                'id' => "j{$n}",
                'polymer' => $polymers[mt_rand(0, 3)],
                'set_c' => mt_rand(180, 240),
                'lightness' => mt_rand(0, 10) / 10,
                'mould' => 'm'.mt_rand(1, 2),
            ],
            range(1, 5),
        );
        $answer = calc(
            'changeover.sequence',
            [
                'jobs' => $jobs,
                'start' => ['polymer' => 'HDPE', 'set_c' => 200, 'lightness' => 0.5],
                'barrel_volume_cm3' => 120,
            ],
        );
        $best = INF;
        $walk = function (array $left, int $at, float $sum) use (&$walk, &$best, $answer): void {
            $best = $left === [] ? min($best, $sum) : $best;
            foreach ($left as $k => $next) {
                $walk(array_diff_key($left, [$k => 0]), $next, $sum + $answer->matrix[$at][$next - 1]);
            }
        };
        $walk([1, 2, 3, 4, 5], 0, 0.0);
        expect($answer->total_changeover_min)->toEqualWithDelta($best, 1e-9);
    }
});

it('improves on best insertion beyond twelve jobs and uses every job once', function (): void {
    mt_srand(5);
    $jobs = array_map(
        static fn (int $n): array => [
            'id' => "j{$n}",
            'polymer' => ['HDPE', 'PP', 'LDPE'][mt_rand(0, 2)],
            'set_c' => mt_rand(180, 240),
            'lightness' => mt_rand(0, 10) / 10,
        ],
        range(1, 20),
    );
    $answer = calc(
        'changeover.sequence',
        [
            'jobs' => $jobs,
            'start' => ['polymer' => 'HDPE', 'set_c' => 200, 'lightness' => 0.5],
            'barrel_volume_cm3' => 120,
        ],
    );
    expect($answer->order)->toEqualCanonicalizing(array_column($jobs, 'id'))
        ->and(array_sum(array_column($answer->legs, 'minutes')))
        ->toEqualWithDelta($answer->total_changeover_min, 1e-9);
});

it('conserves the sheet\'s volume and follows the closed form of a full cone', function (float $draft): void {
    $beta = deg2rad(90 - $draft);
    $depth = 50 * tan($beta);
    $part = calc(
        'forming.wall',
        ['base_diameter_mm' => 100, 'depth_mm' => $depth, 'draft_deg' => $draft, 'sheet_mm' => 2, 'steps' => 20],
    );
    expect(abs($part->volume_error_pct))->toBeLessThan(0.01);
    foreach (array_slice($part->walls, 0, 14) as $w) {
        $s = $w->depth_mm / sin($beta);
        expect($w->wall_mm)->toEqualWithDelta(
            (1 + cos($beta)) * (1 - $s * sin($beta) / $depth) ** (1 / cos($beta) - 1),
            0.01 * $w->wall_mm,
        );
    }
})->with([15, 30, 45, 60]);

it('conserves volume in every mould it can make', function (): void {
    mt_srand(13);
    for ($i = 0; $i < 60; $i++) {
        $d = mt_rand(40, 400);
        $depth = mt_rand(5, 300);
        $draft = mt_rand(0, (int) (rad2deg(atan($d / 2 / $depth)) * 0.98));
        $part = calc(
            'forming.wall',
            [
                'base_diameter_mm' => $d,
                'depth_mm' => $depth,
                'draft_deg' => $draft,
                'sheet_mm' => 2,
                'corner_radius_mm' => 3,
            ],
        );
        expect(abs($part->volume_error_pct))->toBeLessThan(1.0)
            ->and($part->thinnest_mm)
            ->toBeGreaterThan(0.0)
            ->toBeLessThan(2.0);
    }
});

it('keeps a bar\'s heat balance and cools a thicker one later', function (): void {
    $grid = new Grid(
        Substance::polymer((new MaterialInput(polymer: 'HDPE'))->thermal(new PolymerLibrary)),
        0.06,
        0.04,
        24,
        16,
        190,
        20,
        500,
    );
    $grid->run(900, static fn (): bool => false);
    expect(abs($grid->energyErrorPct()))->toBeLessThan(0.2)->and($grid->core())->toBeLessThan(190.0);
    $last = 0.0;
    foreach ([20, 30, 40, 50] as $mm) {
        $now = calc(
            'heat.bar_in_bath',
            ['polymer' => 'HDPE', 'width_mm' => 60, 'height_mm' => $mm, 'melt_c' => 190, 'bath_c' => 20],
        )->minutes_to_core;
        expect($now)->toBeGreaterThan($last);
        $last = $now;
    }
    // A square bar lies between the round ones of its inner and its outer circle.
    $square = calc(
        'heat.bar_in_bath',
        ['polymer' => 'HDPE', 'width_mm' => 40, 'height_mm' => 40, 'melt_c' => 190, 'bath_c' => 20],
    )->minutes_to_core;
    expect($square)->toBeGreaterThan(
        calc(
            'heat.bar_in_bath',
            ['polymer' => 'HDPE', 'diameter_mm' => 40, 'melt_c' => 190, 'bath_c' => 20],
        )->minutes_to_core,
    )
        ->toBeLessThan(
            calc(
                'heat.bar_in_bath',
                ['polymer' => 'HDPE', 'diameter_mm' => 56.6, 'melt_c' => 190, 'bath_c' => 20],
            )->minutes_to_core,
        );
});

it('knows water by Kell and the normal tail by its tables', function (): void {
    foreach ([4 => 0.999972, 10 => 0.999700, 20 => 0.998204, 25 => 0.997045, 40 => 0.992215] as $c => $rho) {
        expect(
            calc(
                'density.archimedes',
                ['mass_air_g' => 10, 'mass_submerged_g' => 1, 'water_c' => $c],
            )->water_density_g_cm3,
        )->toEqualWithDelta($rho, 1e-5);
    }
    foreach ([1.0 => 0.1586553, 2.0 => 0.0227501, 3.0 => 0.0013499] as $z => $tail) {
        expect(Dithermic\Core\Quality\Normal::tail((float) $z))->toEqualWithDelta($tail, 1e-6);
    }
});

it('answers hostile input with a result or a named error, never a crash, a NaN or a hang', function (string $name): void {
    $example = array_column((new Registry)->bench(), 'example', 'name')[$name];
    mt_srand(crc32($name));
    $nasty = [
        null,
        true,
        -1,
        0,
        1e-9,
        1e300,
        -1e300,
        INF,
        NAN,
        '',
        'x',
        '3',
        [],
        [1],
        ['a' => 1],
        7,
        0.5,
        1e6,
        "\u{0}",
        str_repeat('9', 500),
    ];
    $spoil = static function (array $input) use (&$spoil, $nasty): array {
        $key = array_rand($input);
        $input[$key] = is_array($input[$key]) && $input[$key] !== [] && mt_rand(0, 2) > 0
            ? $spoil($input[$key])
            : (
                mt_rand(0, 3) === 0 && is_numeric($input[$key])
                    ? $input[$key] * 10 ** mt_rand(-3, 3)
                    : $nasty[array_rand($nasty)]
            );

        return $input;
    };
    // Ten thousand; those that need longer go on for as long as they are given. Time is the processor's own, not the
    // Ten thousand, or as many as there is time for: of the processor, as a busy machine is no hang. FUZZ_SECONDS=20
    // digs deeper.
    $worked = static fn (): float => ($now = getrusage())
        ? $now['ru_utime.tv_sec'] + $now['ru_utime.tv_usec'] / 1e6
        : 0.0;
    $until = $worked() + (float) (getenv('FUZZ_SECONDS') ?: 0.3);
    for ($i = 0; $i < 10_000 && ($i < 60 || $worked() < $until); $i++) {
        $input = $spoil($example);
        $start = $worked();
        try {
            $answer = json_encode(
                calc($name, mt_rand(0, 30) === 0 ? $nasty[array_rand($nasty)] : $input),
                JSON_THROW_ON_ERROR,
            );
            foreach (numbersOf(json_decode($answer, true)) as $number) {
                is_finite($number) || $this->fail(
                    "not finite for {$name}: ".json_encode($input, JSON_PARTIAL_OUTPUT_ON_ERROR),
                );
            }
        } catch (InputError $error) {
            expect($error->getMessage())->not->toBeEmpty();
        } catch (Throwable $crash) {
            $this->fail(
                "{$name} crashed with {$crash->getMessage()} at {$crash->getFile()}:{$crash->getLine()} for "
                    .json_encode(
                        $input,
                        JSON_PARTIAL_OUTPUT_ON_ERROR,
                    ),
            );
        }
        $worked() - $start < 2.0 || $this->fail(
            "{$name} took over 2 s for ".json_encode($input, JSON_PARTIAL_OUTPUT_ON_ERROR),
        );
    }
    expect($i)->toBeGreaterThanOrEqual(getenv('FUZZ_SECONDS') === false ? 60 : 10_000);
})->with(array_column((new Registry)->bench(), 'name'));
