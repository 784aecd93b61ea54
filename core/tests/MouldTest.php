<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Process\Injection\FitReason;

/** @return array{fits: bool, against: array<string, FitReason>, held: array<string, FitReason>, unknown: list<string>} */
function fitting(array $machine, array $mould, array $part = [], ?string $polymer = null): array
{
    $result = (new Registry)->run('mould.fits', array_filter([
        'machine' => ['name' => 'Wren'] + $machine,
        'mould' => ['name' => 'Dormouse'] + $mould,
        'part' => $part,
        'polymer' => $polymer,
    ], static fn (mixed $v): bool => $v !== null && $v !== []));

    return [
        'fits' => $result->fits,
        'against' => array_column($result->reasons, null, 'id'),
        'held' => array_column($result->held, null, 'id'),
        'unknown' => $result->unknown,
    ];
}

it('lets a mould in from above or from the side, whichever has room', function (
    float $width,
    float $height,
    bool $fits,
): void {
    $machine = ['tie_bar_width_mm' => 260, 'tie_bar_height_mm' => 220];
    $answer = fitting($machine, ['width_mm' => $width, 'height_mm' => $height]);
    expect($answer['fits'])->toBe($fits)->and(isset($answer['held']['tie_bars']))->toBe($fits);
})->with([
    'from above' => [260, 400, true],
    'from the side' => [400, 220, true],
    'neither' => [261, 221, false],
]);

it('holds the closed height, the opening and the daylight at their edges', function (): void {
    $machine = ['least_mould_mm' => 120, 'most_mould_mm' => 300, 'daylight_mm' => 360, 'opening_mm' => 60];
    $with = static fn (float $closed, float $opens): array => array_keys(
        fitting($machine, ['tool_height_mm' => $closed, 'opens_mm' => $opens])['against'],
    );
    expect($with(300, 60))->toBe([])
        ->and($with(120, 60))->toBe([])
        ->and($with(119, 60))->toBe(['mould_height'])
        ->and($with(301, 59))->toBe(['mould_height'])
        ->and($with(300, 61))->toBe(['daylight', 'stroke'])
        ->and($with(290, 61))->toBe(['stroke']);
});

it('opens twice the depth of a part where the mould does not say how far', function (): void {
    $answer = fitting(['opening_mm' => 100], ['name' => 'x'], ['depth_mm' => 51]);
    expect($answer['against']['stroke']->needs)->toBe(102.0);
    expect(fitting(['opening_mm' => 100], ['opens_mm' => 90], ['depth_mm' => 51])['fits'])->toBeTrue();
});

it('asks for force, melt, pressure and heat by hand-worked numbers', function (): void {
    $machine = [
        'screw_diameter_mm' => 25,
        'max_stroke_mm' => 100,
        'max_specific_bar' => 1700,
        'clamp_kn' => 250,
        'max_c' => 320,
    ];
    $mould = ['cavities' => 2, 'runner_volume_cm3' => 2, 'projected_area_cm2' => 40, 'flow_length_mm' => 60];
    $answer = fitting($machine, $mould, ['volume_cm3' => 6, 'thickness_mm' => 2], 'PP');
    // Half a turn of π by 25² by 100: 49.087 cm³; 14 cm³ of solid PP at 0.905 are 14 · 0.905/0.75 of melt or so.
    expect($answer['held']['shot']->has)->toEqualWithDelta(49.087, 0.001)
        ->and($answer['held']['shot']->needs)->toBeGreaterThan(14.0)->toBeLessThan(18.5)
        ->and($answer['fits'])->toBeTrue()
        ->and($answer['held'])->toHaveKeys(['clamp', 'pressure', 'max_c']);
    $weak = fitting(['clamp_kn' => 20, 'max_c' => 150, 'max_specific_bar' => 5] + $machine, $mould, [
        'volume_cm3' => 60,
        'thickness_mm' => 2,
    ], 'PP');
    expect(array_keys($weak['against']))->toBe(['shot', 'clamp', 'pressure', 'max_c']);
});

it('says what it could not look at, and lets want of nothing pass', function (): void {
    $nothing = fitting([], []);
    expect($nothing['fits'])->toBeTrue()->and($nothing['unknown'])->toHaveCount(12);
    $answer = fitting([], ['hot_runner_zones' => 0, 'circuits' => 2]);
    expect($answer['held'])->toHaveKey('hot_runner_zones')
        ->and($answer['unknown'])->toContain('water_circuits')
        ->and($answer['unknown'])->not->toContain('hot_runner_zones');
});

it('never turns worse by a larger machine', function (): void {
    $sizes = ['tie_bar_width_mm', 'tie_bar_height_mm', 'most_mould_mm', 'daylight_mm', 'opening_mm', 'clamp_kn'];
    $mould = [
        'width_mm' => 200, 'height_mm' => 250, 'tool_height_mm' => 180, 'opens_mm' => 70, 'projected_area_cm2' => 30,
    ];
    $before = PHP_INT_MAX;
    foreach ([100, 150, 200, 250, 300, 400] as $size) {
        $against = count(fitting(array_fill_keys($sizes, $size), $mould, [], 'PA6')['against']);
        expect($against)->toBeLessThanOrEqual($before);
        $before = $against;
    }
    expect($before)->toBe(0);
});

it('learns what a barrel takes from full shots', function (): void {
    $input = ['polymer' => 'PP', 'barrel_diameter_mm' => 38, 'wall_c' => 215];
    $physics = (new Registry)->run('heat.barrel_soak', $input)->soak_min_full;
    $fit = static fn (array $shots): object => (new Registry)->run('fit.soak', ['shots' => array_map(
        static fn (array $s): array => ['input' => $input, 'minutes' => $s[0] * $physics, 'cue' => $s[1]],
        $shots,
    )]);
    $five = $fit(array_fill(0, 5, [1.3, 'smooth']));
    expect($five->predicted_min[0])->toEqualWithDelta($physics, 1e-9)
        // Posterior mean of ln f: 5/0.08² · ln 1.3 over 5/0.08² + 1/0.25².
        ->and($five->factor)->toEqualWithDelta(exp(log(1.3) * (5 / 0.0064) / (5 / 0.0064 + 16)), 0.002)
        ->and($five->low)->toBeLessThan($five->factor)
        ->and($five->high)->toBeGreaterThan($five->factor);
    expect($fit([[1.2, 'lumps']])->factor)->toBeGreaterThan(1.1)
        ->and($fit([[0.8, 'long_ready']])->factor)->toBeLessThan(0.9)
        ->and($fit([[1.2, 'lumps'], [1.4, 'smooth']])->factor)->toBeGreaterThan(1.2);
    expect(static fn () => (new Registry)->run('fit.soak', ['shots' => [
        ['input' => ['polymer' => 'PP', 'barrel_diameter_mm' => 38, 'wall_c' => 100], 'minutes' => 4, 'cue' => 'lumps'],
    ]]))->toThrow(InputError::class);
});
