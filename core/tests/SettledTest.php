<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Charge\Shot;
use Dithermic\Core\Charge\ShotInput;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Ask;
use Dithermic\Core\Process\FactOrigin;
use Dithermic\Core\Process\Injection\ShotSettings;
use Dithermic\Core\Process\MachineKind;
use Dithermic\Core\Process\PlannedSetting;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Process\Role;
use Dithermic\Core\Process\Said;
use Dithermic\Core\Process\Settled;
use Dithermic\Core\Process\Settles;
use Dithermic\Core\Process\Usual;

/** @param  array<string, Usual>  $usual */
function settledShot(
    array $usual,
    ShotSettings $product = new ShotSettings,
    ?ShotSettings $recipe = null,
    ?ShotSettings $moved = null,
    ?ShotSettings $mould = null,
): Settled {
    $dormouse = $mould === null ? null : new class($mould) implements Settles
    {
        public function __construct(private ShotSettings $settles)
        {
        }

        public function calledAs(): string
        {
            return 'Dormouse';
        }

        public function settings(): object
        {
            return $this->settles;
        }
    };
    $said = Said::of($moved, $recipe, 'recipe, version 2', $product, $dormouse);

    return Settled::of(ShotSettings::class, $said, $usual);
}

/** @return array<string, PlannedSetting> */
function settledByName(Settled $settled): array
{
    return array_column($settled->list(), null, 'name');
}

/** The field that a refusal names, and its words. */
function refusal(Closure $does): string
{
    try {
        $does();
    } catch (InputError $error) {
        return "{$error->field}: {$error->getMessage()}";
    }

    return 'nothing';
}

it('takes a person over a recipe over a product over the library, and says which', function (): void {
    $usual = ['melt_c' => new Usual(200.0, 'polymer library', 180.0, 200.0, 240.0)];
    $settled = [
        'polymer library' => settledShot($usual),
        'the product' => settledShot($usual, new ShotSettings(melt_c: 210)),
        'recipe, version 2' => settledShot($usual, new ShotSettings(melt_c: 210), new ShotSettings(melt_c: 215)),
        'set here' => settledShot(
            $usual,
            new ShotSettings(melt_c: 210),
            new ShotSettings(melt_c: 215),
            new ShotSettings(melt_c: 220),
        ),
    ];
    $values = [200.0, 210.0, 215.0, 220.0];
    foreach ($settled as $origin => $of) {
        $melt = settledByName($of)['melt_c'];
        expect($melt->origin)->toBe($origin)
            ->and($melt->value)->toBe(array_shift($values))
            // The window is the library's, whoever says the value.
            ->and([$melt->low, $melt->target, $melt->high])->toBe([180.0, 200.0, 240.0]);
    }
});

it('hears the mould before the product and behind the recipe', function (): void {
    $mould = new ShotSettings(cavities: 4, gate_mm: 1.2);
    $product = new ShotSettings(cavities: 2, thickness_mm: 2);
    $said = settledByName(settledShot([], $product, null, null, $mould));
    expect($said['cavities']->value)->toBe(4.0)
        ->and($said['cavities']->origin)->toBe('Dormouse')
        ->and($said['gate_mm']->origin)->toBe('Dormouse')
        ->and($said['thickness_mm']->origin)->toBe('the product');
    $recipe = settledByName(settledShot([], $product, new ShotSettings(cavities: 3), null, $mould));
    expect($recipe['cavities']->origin)->toBe('recipe, version 2');
});

it('takes a nought that somebody says for a nought', function (): void {
    $settled = settledShot(
        ['loss_pct' => new Usual(5.0)],
        new ShotSettings(loss_pct: 3),
        null,
        new ShotSettings(loss_pct: 0),
    );
    expect($settled->get('loss_pct'))->toBe(0.0)->and(settledByName($settled)['loss_pct']->origin)->toBe('set here');
});

it('knows what nobody has said, and has no origin for it', function (): void {
    $settled = settledShot(['fill_s' => new Usual(2.0)]);
    expect($settled->has('flow_length_mm'))->toBeFalse()
        ->and($settled->optional('flow_length_mm'))->toBeNull()
        ->and(settledByName($settled)['flow_length_mm']->origin)->toBe('')
        ->and($settled->get('fill_s'))->toBe(2.0)
        ->and(settledByName($settled)['fill_s']->origin)->toBe(Usual::PRACTICE)
        ->and(settledByName($settled)['part_volume_cm3']->unit)->toBe('cm3');
});

it('refuses by the setting that must be there, or above nought', function (): void {
    $settled = settledShot(['fill_s' => new Usual(0.0)]);
    expect(refusal(static fn () => $settled->mustHave(['fill_s' => 'is missing'])))->toBe('nothing')
        ->and(refusal(
            static fn () => $settled->mustHave(['shots' => 'say how many']),
        ))->toBe('settings.shots: say how many')
        ->and(refusal(static fn () => $settled->mustBePositive(['fill_s'])))->toBe('settings.fill_s: must be above 0')
        ->and(refusal(static fn () => $settled->mustBePositive(['shots'])))->toBe('nothing');
});

it('reads a window of the library with its bounds, and nothing where there is none', function (): void {
    $library = new PolymerLibrary;
    $melt = Usual::window($library->get('PP'), 'injection', 'melt_c');
    expect([$melt->low, $melt->value, $melt->high])->toBe([180.0, 220.0, 265.0])
        ->and($melt->origin)->toBe('polymer library')
        ->and(Usual::window($library->get('PP'), 'injection', 'no_such_c')->value)->toBeNull()
        ->and(Usual::window($library->get('UNKNOWN'), 'injection', 'melt_c')->origin)->toBe('');
});

it('asks another calculation and names its refusal by where the number came from', function (): void {
    $ask = static fn (array $input, array $from = []) => Ask::for(
        new Shot(new PolymerLibrary),
        ShotInput::class,
        $input + ['part_volume_cm3' => 10, 'barrel_diameter_mm' => 30, 'barrel_length_mm' => 100, 'polymer' => 'PP'],
        $from,
    );
    expect($ask([])->shot_mass_g)->toBeGreaterThan(9)
        // A null is left out, so that the calculation's own default stands.
        ->and($ask(['loss_pct' => null])->shot_mass_g)->toBe($ask([])->shot_mass_g)
        ->and(refusal(static fn () => $ask(['part_volume_cm3' => -1])))->toStartWith('settings.part_volume_cm3: ')
        ->and(refusal(static fn () => $ask(['barrel_length_mm' => -1], ['barrel_length_mm' => 'machine'])))
        ->toStartWith('machine: ');
});

it('lists every kind of machine once, with the facts that its plan asks', function (): void {
    $processes = new Processes(new Registry);
    $kinds = $processes->machineKinds();
    expect(array_keys($kinds))->toBe(array_unique(array_keys($kinds)))
        ->and($kinds['hot_press']->facts())->toHaveKeys(['heater_kw', 'platen_kj_k', 'bed_length_mm'])
        ->and($kinds['hot_press']->facts())->not->toHaveKey('name')
        ->and($kinds['shredder']->facts())->toBe([])
        ->and($processes->takes('extruder'))->toBeTrue()
        ->and($processes->takes('shredder'))->toBeFalse()
        ->and($processes->has('compression'))->toBeTrue()
        ->and($processes->has('smelting'))->toBeFalse();
    foreach ($processes->all() as $process) {
        foreach ($process->roles() as $role) {
            expect(class_exists($role->facts))->toBeTrue();
            foreach ($role->kinds as $kind) {
                expect($kinds)->toHaveKey($kind);
            }
        }
    }
});

it('takes facts that are of one machine together only', function (string $kind, array $known, string $says): void {
    $of = (new Processes(new Registry))->machineKinds()[$kind];
    expect(refusal(static fn () => $of->mustAgree($known)))->toStartWith($says);
})->with([
    'a press that gets hot' => ['hot_press', ['heater_kw' => 2.2, 'loss_kw' => 2.19], 'nothing'],
    'one that loses all it gives' => ['hot_press', ['heater_kw' => 2.2, 'loss_kw' => 2.2], 'heater_kw: must be above loss_kw, 2.2 kW'],
    'a heater alone' => ['hot_press', ['heater_kw' => 0.1], 'nothing'],
    'a tank by its gauge' => ['vacuum_former', ['tank_kpa' => 101.325], 'tank_kpa: is not below the air here, 101.3 kPa'],
    'a tank at sea level' => ['vacuum_former', ['tank_kpa' => 85], 'nothing'],
    'the same on a mountain' => [
        'vacuum_former',
        ['tank_kpa' => 85, 'atmosphere_kpa' => 80],
        'tank_kpa: is not below the air here, 80 kPa',
    ],
    'a blower' => ['vacuum_former', ['blower_kpa' => 120], 'blower_kpa: is not below'],
    'a pump' => ['vacuum_former', ['ultimate_kpa' => 120], 'ultimate_kpa: is not below'],
    'what a kind no longer asks' => ['hot_press', ['heater_kw' => 2, 'horses' => 3], 'nothing'],
    'what no plan asks anything of' => ['shredder', ['heater_kw' => 2], 'nothing'],
]);

it('takes facts that fit a kind, and nothing for what is not known', function (array $facts, string $says): void {
    $kind = (new Processes(new Registry))->machineKinds()['extruder'];
    expect(refusal(static fn () => $kind->mustFit($facts)))->toStartWith($says);
})->with([
    [['throughput_kg_h' => 12], 'nothing'],
    [['throughput_kg_h' => null], 'nothing'],
    [[], 'nothing'],
    [['throughput_kg_h' => 0], 'throughput_kg_h: '],
    [['throughput_kg_h' => '12 kg'], 'throughput_kg_h: '],
    [['throughput_kg_h' => [12]], 'throughput_kg_h: '],
    [['wings' => 2], 'wings: is no fact of a extruder'],
]);

it('lets a kind take its place, and no other', function (): void {
    $role = new Role('barrel', 'injector', ['plunger_injector', 'screw_injector'], ShotSettings::class);
    expect($role->takes('screw_injector'))->toBeTrue()
        ->and($role->takes('extruder'))->toBeFalse()
        ->and($role->required)->toBeTrue()
        ->and((new MachineKind('kettle', 'kettle'))->facts())->toBe([])
        ->and(array_column(FactOrigin::cases(), 'value'))->toBe(['plate', 'measured', 'fitted', 'unknown']);
});
