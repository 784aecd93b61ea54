<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Diagnosis\Knowledge;
use Dithermic\Core\Diagnosis\Trial\BadRun;
use Dithermic\Core\Diagnosis\Trial\InBar;
use Dithermic\Core\Diagnosis\Trial\InBox;
use Dithermic\Core\Diagnosis\Trial\InMould;
use Dithermic\Core\Diagnosis\Trial\InPress;
use Dithermic\Core\Diagnosis\Trial\Scene;
use Dithermic\Core\Diagnosis\Trial\Trouble;
use Dithermic\Core\Diagnosis\Trial\Ward;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;

function ward(): Ward
{
    static $ward = null;
    $polymers = new PolymerLibrary;

    return $ward ??= new Ward(new Registry($polymers), $polymers);
}

/** @param  class-string<Scene>  $class */
function scene(string $class): Scene
{
    return array_values(array_filter(ward()->scenes, static fn (Scene $s): bool => $s::class === $class))[0];
}

it('finds the cause of most bad runs of every process within four questions', function (): void {
    $score = ward()->score(165, 11);
    expect($score->runs)->toBe(165)
        ->and($score->first / $score->runs)->toBeGreaterThanOrEqual(0.6)
        ->and($score->second / $score->runs)->toBeGreaterThanOrEqual(0.8)
        // Asking is worth it: unasked the first guess is right far less often.
        ->and($score->firstUnasked)->toBeLessThan($score->first)
        ->and($score->asked / $score->runs)->toBeLessThanOrEqual(4.0);
});

it('makes about forty causes, each known to the defect that it shows as', function (): void {
    $knowledge = new Knowledge;
    $causes = [];
    foreach (ward()->troubles() as [$scene, $trouble]) {
        $knowledge->mustHave($trouble->defect, $scene->process(), $scene->mode());
        expect(array_keys($knowledge->causes($trouble->defect, $scene->mode())))->toContain($trouble->cause);
        $causes[$trouble->cause] = true;
    }
    expect(count($causes))->toBeGreaterThanOrEqual(25);
});

it('draws a day that would have been good, and reads what signals can be', function (
    Scene $scene,
    Trouble $trouble,
): void {
    $run = BadRun::draw($scene, $trouble, new Dice(5));
    expect($scene->flaws($run->usual))->toBe([])
        ->and($scene->flaws($run->state))->toContain($trouble->defect);
    $knowledge = new Knowledge;
    foreach ($run->reads as $signal => $value) {
        expect($knowledge->value($signal, $value))->not->toBeNull();
    }
    expect(array_diff($scene->knows(), array_keys($knowledge->signals)))->toBe([])
        ->and(array_filter(
            array_keys($run->says),
            static fn (string $q): bool => str_starts_with($q, "{$trouble->cause}."),
        ))->not->toBe([]);
})->with(static function (): Generator {
    foreach (ward()->troubles() as [$scene, $trouble]) {
        yield "{$trouble->defect}, {$trouble->cause}" => [$scene, $trouble];
    }
});

it('has the same runs from the same seed', function (): void {
    [$scene, $trouble] = ward()->troubles()[3];
    expect(BadRun::draw($scene, $trouble, new Dice(9))->reads)
        ->toBe(BadRun::draw($scene, $trouble, new Dice(9))->reads);
});

it('fills a part less the colder its melt, the colder its mould, the weaker the push and the slower the stroke', function (
    string $of,
    float $good,
    float $bad,
): void {
    $scene = scene(InMould::class);
    $full = new ReflectionMethod($scene, 'full');
    $short = 0;
    foreach (range(1, 20) as $seed) {
        $day = $scene->usual(new Dice($seed));
        $worse = $full->invoke($scene, [$of => $bad] + $day);
        expect($worse)->toBeLessThanOrEqual($full->invoke($scene, [$of => $good] + $day));
        $short += $worse < 0.98 ? 1 : 0;
    }
    // On most days it shows; some have enough to spare.
    expect($short)->toBeGreaterThan(10);
})->with([
    'melt' => ['melt_k', 0.0, -45.0],
    'push' => ['push', 1.0, 0.6],
    'stroke' => ['stroke', 1.0, 3.0],
    'charge' => ['charge', 1.02, 0.9],
    'joint' => ['leak', 0.0, 0.1],
    'vents' => ['vents', 1.0, 0.0],
]);

it('keeps a longer fin the wider the gap and the hotter the melt', function (): void {
    $scene = scene(InMould::class);
    $fin = new ReflectionMethod($scene, 'finMm');
    $day = $scene->usual(new Dice(2));
    expect($fin->invoke($scene, ['gap_mm' => 2 * $day['gap_mm'], 'bend_mm' => 0.0] + $day))
        ->toEqualWithDelta(4 * $fin->invoke($scene, ['bend_mm' => 0.0] + $day), 1e-9)
        ->and($fin->invoke($scene, ['melt_k' => 40.0] + $day))->toBeGreaterThan($fin->invoke($scene, $day));
});

it('bends a sheet by the difference of its faces, and by nothing where there is none', function (): void {
    $scene = scene(InPress::class);
    $lift = new ReflectionMethod($scene, 'liftMm');
    $day = ['faces_k' => 0.0, 'cool' => 1.3] + $scene->usual(new Dice(4));
    $ten = $lift->invoke($scene, ['faces_k' => 10.0] + $day);
    expect($lift->invoke($scene, $day))->toBe(0.0)
        // α·ΔT·L²/(8·t), in a metre
        ->and($ten)->toEqualWithDelta(1.5e-4 * 10 * $day['length_mm'] * 1000 / (8 * $day['thickness_mm']), 1e-9)
        ->and($lift->invoke($scene, ['faces_k' => -10.0] + $day))->toBe($ten);
});

it('lets a bar get as far as the air before it allows', function (): void {
    $scene = scene(InBar::class);
    $full = new ReflectionMethod($scene, 'fullUnstopped');
    $day = ['vents' => 0.0, 'spare' => 1.2] + $scene->usual(new Dice(6));
    $can = (new ReflectionMethod($scene, 'can'))->invoke($scene, $day);
    $needs = (new ReflectionMethod($scene, 'fill'))->invoke($scene, $day)->pressure_bar;
    $x = $full->invoke($scene, $day);
    // What the way takes and what the shut air answers (Boyle) come to what is there.
    expect($x)->toBeLessThan(1.0)
        ->and($x * $needs + 1.013 * $x / (1 - $x))->toEqualWithDelta($can, 1e-6 * $can);
});

it('goes the less into a corner the colder the sheet and the weaker the pull', function (string $of, float $bad): void {
    $scene = scene(InBox::class);
    $radius = new ReflectionMethod($scene, 'radius');
    foreach (range(1, 8) as $seed) {
        $day = $scene->usual(new Dice($seed));
        expect($radius->invoke($scene, [$of => $bad] + $day))->toBeGreaterThan($radius->invoke($scene, $day));
    }
})->with([
    'heater' => ['heater_k', -50.0],
    'time' => ['heat', 0.7],
    'pump' => ['pump', 0.5],
    'tank' => ['tank', 0.5],
    'leak' => ['leak_kpa_min', 500.0],
    'vents' => ['vents', 0.0],
]);
