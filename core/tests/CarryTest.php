<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;

const SHOWN_BY_WREN = [
    'stroke_mm' => 40.0, 'hydraulic_bar' => 90.0, 'hold_hydraulic_bar' => 45.0, 'back_hydraulic_bar' => 6.0,
    'speed_mm_s' => 60.0, 'rpm' => 120.0, 'cushion_mm' => 4.0, 'changeover_mm' => 8.0, 'clamp_kn' => 220.0,
];
const WREN_SAYS = [
    'name' => 'Wren', 'screw_diameter_mm' => 25.0, 'intensification' => 10.0, 'max_specific_bar' => 1800.0,
    'max_stroke_mm' => 110.0,
    'max_rpm' => 300.0, 'max_speed_mm_s' => 120.0,
];

function carrying(): Definition
{
    return (new Processes(new Registry))->get('injection');
}

it('is carried to another screw by the same shot, pressure, flow and surface speed', function (): void {
    $to = ['name' => 'the other', 'screw_diameter_mm' => 30.0, 'intensification' => 8.0] + WREN_SAYS;
    $there = carrying()->ontoMachine(new Record(SHOWN_BY_WREN), new Record(WREN_SAYS), new Record($to))->values;
    $square = (25 / 30) ** 2;
    expect($there['stroke_mm'])->toEqualWithDelta(40 * $square, 1e-9)
        ->and($there['speed_mm_s'] * 30 ** 2)->toEqualWithDelta(60 * 25 ** 2, 1e-6)
        ->and($there['hydraulic_bar'] * 8)->toEqualWithDelta(90 * 10, 1e-9)
        ->and($there['rpm'] * 30)->toEqualWithDelta(120 * 25, 1e-9);
    // There and back again it is what it was.
    $back = carrying()->ontoMachine(new Record($there), new Record($to), new Record(WREN_SAYS))->values;
    foreach ($back as $name => $value) {
        expect($value)->toEqualWithDelta(SHOWN_BY_WREN[$name], 1e-6);
    }
});

it('is no more than a printed insert bears', function (): void {
    $mould = [
        'name' => 'the printed one', 'allowable_mpa' => 30.0, 'land_area_cm2' => 20.0, 'projected_area_cm2' => 12.0,
    ];
    $soft = carrying()->ontoMould(new Record(SHOWN_BY_WREN), new Record(WREN_SAYS), new Record($mould), new Record([]));
    // F = σ·A/S on its lands, p = σ/(2S) in its walls, and the clamp holds 1.2 times the shadow.
    $clamp = 0.1 * 30 * 20 / 1.5;
    $injection = min(900.0, 10 * 30 / 3, 100 * $clamp / (1.2 * 12));
    expect($soft->values['clamp_kn'])->toEqualWithDelta($clamp, 1e-6)
        ->and(10 * $soft->values['hydraulic_bar'])->toEqualWithDelta($injection, 1e-6)
        ->and($soft->values['hold_hydraulic_bar'] / $soft->values['hydraulic_bar'])->toEqualWithDelta(0.5, 1e-9)
        ->and(implode(' ', $soft->cautions))->toContain('snug by hand');
    // One as strong as metal changes nothing.
    $metal = ['allowable_mpa' => 2000.0, 'land_area_cm2' => 2000.0] + $mould;
    expect(carrying()->ontoMould(
        new Record(SHOWN_BY_WREN),
        new Record(WREN_SAYS),
        new Record($metal),
        new Record([]),
    )->values['hydraulic_bar'])
        ->toEqualWithDelta(90.0, 1e-9);
});

it('says by name what is not known', function (Closure $carry, string $says): void {
    expect($carry)->toThrow(InputError::class, $says);
})->with([
    'a machine' => [
        fn () => carrying()->ontoMachine(
            new Record(SHOWN_BY_WREN),
            new Record(WREN_SAYS),
            new Record(['name' => 'Heron']),
        ),
        'Heron does not say its screw diameter',
    ],
    'an insert' => [
        fn () => carrying()->ontoMould(
            new Record(SHOWN_BY_WREN),
            new Record(WREN_SAYS),
            new Record(['name' => 'M']),
            new Record([]),
        ),
        'M does not say what its insert bears',
    ],
    'a shadow' => [fn () => carrying()->ontoMould(
        new Record(SHOWN_BY_WREN),
        new Record(WREN_SAYS),
        new Record(['name' => 'M', 'allowable_mpa' => 30, 'land_area_cm2' => 20]),
        new Record([]),
    ), 'projected area'],
    'a clamp' => [fn () => carrying()->ontoMould(
        new Record(array_diff_key(SHOWN_BY_WREN, ['clamp_kn' => 0])),
        new Record(WREN_SAYS),
        new Record(['name' => 'M', 'allowable_mpa' => 30, 'land_area_cm2' => 20, 'projected_area_cm2' => 12]),
        new Record([]),
    ), 'was not kept with this set-up'],
]);

it('is asked of a screw and of nothing else', function (): void {
    expect(carrying()->captured(new Record(WREN_SAYS)))->not->toBeNull()
        ->and(carrying()->captured(new Record(['barrel_diameter_mm' => 40])))->toBeNull()
        ->and((new Processes(new Registry))->get('compression')->captured(new Record([])))->toBeNull();
});
