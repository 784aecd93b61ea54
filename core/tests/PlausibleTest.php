<?php

declare(strict_types=1);

use Dithermic\Core\Run\Plausible;

/** @return array<string, Plausible> by entry and field */
function plausible(string $process, array $targets, ?float $ceiling = 280.0): array
{
    $all = [];
    foreach (Plausible::of(shipped($process), $targets, 'PP', $ceiling) as $of) {
        $all["{$of->entry}.{$of->field}"] = $of;
    }

    return $all;
}

it('doubts heat beyond what the polymer bears, and cold beyond any shop', function () {
    $platen = plausible('compression', ['charge_mass_g' => 2166.0])['platen.top_c'];
    expect($platen->takes(186.0))->toBeTrue()
        ->and($platen->takes(280.0))->toBeTrue()
        ->and($platen->takes(350.0))->toBeFalse()
        ->and($platen->takes(-40.0))->toBeFalse()
        ->and($platen->says)->toBe('PP breaks down and gives off fume above 280 °C.');
});

it('doubts no heat of what nobody knows the ceiling of', function () {
    $platen = plausible('compression', ['charge_mass_g' => 2166.0], null)['platen.top_c'];
    expect($platen->takes(350.0))->toBeTrue()->and($platen->takes(-40.0))->toBeFalse();
});

it('doubts ten times the charge, and a tenth of it, and takes what is only off', function () {
    $weighed = plausible('compression', ['charge_mass_g' => 2166.0, 'charge_tolerance_g' => 20.0])['weigh.mass_g'];
    foreach ([2166.0, 2100.0, 1500.0, 5000.0] as $grams) {
        expect($weighed->takes($grams))->toBeTrue((string) $grams);
    }
    foreach ([21_660.0, 216.6, 2.166] as $grams) {
        expect($weighed->takes($grams))->toBeFalse((string) $grams);
    }
    expect($weighed->says)->toBe('Planned are 2166 g.');
});

it('doubts of other masses only what is another unit', function () {
    $all = plausible('injection', ['shot_mass_g' => 37.8, 'barrel_g' => 139.5, 'part_mass_g' => 16.3]);
    expect($all['load.mass_g']->takes(139.5))->toBeTrue()
        ->and($all['load.mass_g']->takes(2.0))->toBeTrue()
        ->and($all['load.mass_g']->takes(139_500.0))->toBeFalse()
        // Twenty times the heaviest that the plan has, whichever that is.
        ->and($all['load.mass_g']->takes(2790.0))->toBeTrue()
        ->and($all['load.mass_g']->takes(2790.1))->toBeFalse();
});

it('takes no number of a plan for a mass but what is one', function (): void {
    expect(plausible('injection', ['shot_mass_g' => 0.0, 'barrel_g' => -3.0, 'cool_min' => 4.0], null))
        ->not->toHaveKey('load.mass_g')
        ->and(plausible('compression', ['charge_mass_g' => 0.0], null))->not->toHaveKey('weigh.mass_g')
        ->and(plausible('compression', ['charge_mass_g' => 0.5], null)['weigh.mass_g']->takes(0.5))->toBeTrue();
});

it('believes ten degrees of frost, and no more', function (): void {
    $platen = plausible('compression', [], null)['platen.top_c'];
    expect($platen->takes(-10.0))->toBeTrue()->and($platen->takes(-10.1))->toBeFalse();
});

it('has nothing to say of numbers that no plan has', function () {
    expect(plausible('injection', [], null))->not->toHaveKey('load.mass_g');
});
