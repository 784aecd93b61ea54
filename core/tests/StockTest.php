<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Safety\DryState;
use Dithermic\Core\Safety\Scale;
use Dithermic\Core\Safety\SourceState;
use Dithermic\Core\Stock\ChargeLots;
use Dithermic\Core\Stock\Colour;
use Dithermic\Core\Stock\Contamination;
use Dithermic\Core\Stock\Holding;
use Dithermic\Core\Stock\LotForm;
use Dithermic\Core\Stock\LotStep;
use Dithermic\Core\Stock\MassBalance;
use Dithermic\Core\Stock\Merge;
use Dithermic\Core\Stock\MixStock;
use Dithermic\Core\Stock\OneContainer;
use Dithermic\Core\Stock\Trust;

function holding(array $over = []): Holding
{
    return new Holding(
        ...$over + [
            'name' => 'L-1',
            'mass_g' => 1000.0,
            'polymer' => 'PP',
            'form' => 'flake',
            'colour' => 'red',
            'swatch' => '#ff0000',
            'generation' => 0,
            'dry' => DryState::Dry,
            'source' => SourceState::Accepted,
        ],
    );
}

it('mixes colours in linear light: mean of black and white is lighter than half the code, and order does not matter', function () {
    expect(Colour::mean([['#000000', 1.0], ['#ffffff', 1.0]]))->toBe('#bcbcbc')
        ->and(Colour::mean([['#ff0000', 3.0], ['#0000ff', 1.0]]))
        ->toBe(Colour::mean([['#0000ff', 1.0], ['#ff0000', 3.0]]))
        ->and(Colour::mean([['#4f8a3c', 7.0]]))->toBe('#4f8a3c');
    expect(fn () => Colour::mean([['green', 1.0]]))->toThrow(InputError::class);
});

it('makes small what cannot be weighed out, once', function () {
    $small = static fn (LotForm $form): ?LotForm => $form->madeSmall();
    expect($small(LotForm::Film))->toBe(LotForm::DensifiedFilm)->and($small(LotForm::Bar))->toBe(LotForm::Flake);
    foreach (LotForm::cases() as $form) {
        // What comes out is never made small again, and all that must be can be.
        expect($small($form)?->madeSmall())->toBeNull();
        expect($form->mustBeMadeSmall() && $small($form) === null)->toBeFalse();
    }
    $next = static fn (string $form): array => array_map(
        static fn (LotStep $s): string => $s->value,
        LotStep::of(new PolymerLibrary, 'LDPE', $form, DryState::Dry, SourceState::Accepted, true),
    );
    expect($next('film'))->toBe(['densify', 'use'])
        ->and($next('item'))->toBe(['shred', 'use'])
        ->and($next('densified film'))->toBe(['use']);
});

it('merges to the weakest part and says what is lost', function () {
    $merged = Merge::of([
        holding(),
        holding([
            'name' => 'L-2',
            'mass_g' => 3000.0,
            'colour' => 'blue',
            'swatch' => '#0000ff',
            'generation' => 2,
            'dry' => DryState::DryAgain,
            'source' => SourceState::OnTrial,
        ]),
    ]);
    expect($merged->mass_g)->toBe(4000.0)
        ->and($merged->weakest)
        ->toBe(1)
        ->and($merged->generation)
        ->toBe(2)
        ->and($merged->dry)
        ->toBe(DryState::DryAgain)
        ->and($merged->changes)
        ->toHaveCount(4);
    expect(Merge::of([holding(), holding(['name' => 'L-2'])])->changes)->toBe([]);
});

it('never merges two polymers, nor anything with an unknown', function (array $other, string $field) {
    expect(fn () => Merge::of([holding(), holding($other)]))->toThrow(
        fn (InputError $e) => expect($e->field)->toBe($field),
    );
})->with([
    [['polymer' => 'HDPE'], 'lots.1.id'],
    [['polymer' => 'UNKNOWN'], 'lots.1.id'],
    [['mass_g' => 0.0], 'lots.1.mass_g'],
]);

it('closes a mass balance within what the scale can tell', function (
    float $out,
    float $waste,
    bool $closes,
    string $word,
) {
    $balance = new MassBalance(1000, $out, $waste, 1, 5);
    expect($balance->closes)->toBe($closes)
        ->and($balance->missing_g)
        ->toEqualWithDelta(1000 - $out - $waste, 1e-9)
        ->and($balance->because)
        ->toContain($word);
})->with([
    [900, 98, true, 'closes'],
    [900, 105, true, 'closes'],
    [900, 90, false, 'missing'],
    [900, 120, false, 'more came out'],
]);

it('judges foreign matter by what it does to the polymer', function (string $found, float $g, string $verdict) {
    expect((new Contamination(new PolymerLibrary, 'HDPE', $found, $g, 1000))->verdict)->toBe($verdict);
})->with([
    ['PVC-U', 0.1, 'dangerous'],
    ['PVC-U', 0, 'within'],
    ['PET', 4, 'within'],
    ['PET', 6, 'too much'],
    ['PP', 45, 'within'],
    ['PP', 55, 'too much'],
    ['LDPE', 200, 'within'],
    ['earth', 9, 'within'],
    ['earth', 11, 'too much'],
    ['metal', 0.1, 'too much'],
    ['vinyl', 0.1, 'dangerous'],
    ['UNKNOWN', 0.1, 'dangerous'],
    ['gunk', 0.1, 'dangerous'],
]);

it('asks the lot\'s own polymer what it blends with, and what stands its heat', function (
    string $lot,
    string $found,
    float $pct,
    string $verdict,
) {
    expect((new Contamination(new PolymerLibrary, $lot, $found, $pct, 100))->verdict)->toBe($verdict);
})->with([
    ['LDPE', 'HDPE', 45, 'within'],
    ['HDPE', 'LDPE', 29, 'within'],
    ['HDPE', 'LDPE', 31, 'too much'],
    ['PS', 'HIPS', 5, 'within'],
    ['PA6', 'PA66', 2, 'within'],
    ['ABS', 'POM', 0.9, 'dangerous'],
    ['PC', 'EVA', 0.5, 'dangerous'],
    ['PP', 'POM', 0.5, 'dangerous'],
    ['LDPE', 'EVA', 10, 'within'],
    ['PET', 'PLA', 0.1, 'dangerous'],
]);

it('is a ladder: no rung is skipped, any bad delivery falls to the ground', function () {
    $allowed = [
        'on_trial' => ['small_trial_passed' => 'small_trial_passed', 'small_trial_failed' => 'on_trial'],
        'small_trial_passed' => ['full_trial_passed' => 'full_trial_passed', 'full_trial_failed' => 'on_trial'],
        'full_trial_passed' => ['accepted' => 'accepted'], 'accepted' => [],
    ];
    foreach (SourceState::cases() as $state) {
        foreach (Trust::cases() as $trust) {
            $next = $allowed[$state->value][$trust->value] ?? match ($trust) {
                Trust::DeliveryGood => $state->value, Trust::DeliveryFailed => 'on_trial', default => null,
            };
            try {
                $got = $trust->after($state)->value;
            } catch (InputError $e) {
                $got = null;
            }
            expect($got)->toBe($next);
        }
        expect(Scale::Production->allows($state))->toBe($state === SourceState::Accepted);
    }
});

it('hands what was found down to what became of the lot, until that itself is clean', function () {
    $pvc = static fn (float $grams, float $at): array => ['found' => 'PVC-U', 'grams' => $grams, 'at' => $at];
    // 1 was dirty at 10 and clean at 30; 2 was split from it at 20, 3 at 40; 4 is 2 and 3 together at 50.
    $samples = [1 => [$pvc(0.4, 10), $pvc(0.0, 30)]];
    $parents = [
        2 => [['lot' => 1, 'at' => 20.0]],
        3 => [['lot' => 1, 'at' => 40.0]],
        4 => [['lot' => 2, 'at' => 50.0], ['lot' => 3, 'at' => 50.0]],
    ];
    $standing = static fn (int $lot, array $more = []): array => (new Dithermic\Core\Stock\Findings(
        $more + $samples,
        $parents,
    ))->standing($lot);
    expect($standing(1))->toBe([])
        ->and($standing(2))
        ->toBe(['PVC-U'])
        ->and($standing(3))
        ->toBe([])
        ->and($standing(4))
        ->toBe(['PVC-U'])
        ->and($standing(4, [2 => [$pvc(0.0, 45)]]))->toBe([])->and($standing(4, [4 => [$pvc(0.0, 60)]]))->toBe([])
        ->and($standing(4, [2 => [$pvc(0.0, 55)]]))->toBe(['PVC-U']);
});

it('says of a source what its trial run was, where that is plain', function (
    Scale $scale,
    int $good,
    int $bad,
    ?Trust $says,
): void {
    expect(Trust::byTrial($scale, $good, $bad))->toBe($says);
})->with([
    [Scale::SmallTrial, 1, 0, Trust::SmallTrialPassed],
    [Scale::SmallTrial, 0, 1, Trust::SmallTrialFailed],
    [Scale::FullTrial, 3, 0, Trust::FullTrialPassed],
    [Scale::FullTrial, 0, 2, Trust::FullTrialFailed],
    // some good, some not, or nothing made: a person decides
    [Scale::FullTrial, 2, 1, null],
    [Scale::SmallTrial, 0, 0, null],
    [Scale::Production, 5, 0, null],
    [Scale::Production, 0, 5, null],
]);

it('knows which rung follows', function (): void {
    expect(Trust::SmallTrialPassed->follows(SourceState::OnTrial))->toBeTrue()
        ->and(Trust::FullTrialPassed->follows(SourceState::OnTrial))->toBeFalse()
        ->and(Trust::FullTrialPassed->follows(SourceState::SmallTrialPassed))->toBeTrue()
        ->and(Trust::SmallTrialPassed->follows(SourceState::Accepted))->toBeFalse();
});

it('says of a lot what it wants, the first thing first, and nothing after what forbids', function (
    array $lot,
    array $steps,
) {
    [$polymer, $form, $dry, $source, $looked] = $lot + ['PP', 'flake', DryState::Unknown, SourceState::Accepted, true];
    $said = LotStep::of(new PolymerLibrary, $polymer, $form, $dry, $source, $looked);
    expect(array_map(static fn (LotStep $s): string => $s->value, $said))->toBe($steps);
})->with([
    'nobody knows it' => [['UNKNOWN', 'flake'], ['find']],
    'a code that is not in the library' => [['WOOD', 'flake'], ['find']],
    'it must never be hot' => [['PVC-U', 'flake'], ['keep_cold']],
    'something else' => [['OTHER', 'item'], ['keep_cold']],
    'ready' => [['PP', 'flake'], ['use']],
    'nobody looked' => [['PP', 'flake', DryState::Unknown, SourceState::Accepted, false], ['look', 'use']],
    'a sheet shows what is in it' => [['PP', 'sheet', DryState::Unknown, SourceState::Accepted, false], ['use']],
    'whole pieces' => [['PP', 'item', DryState::Unknown, SourceState::OnTrial, false], ['shred', 'small_trial']],
    'wet' => [['PA6', 'pellet', DryState::DryAgain, SourceState::Accepted], ['dry', 'use']],
    'dry' => [['PA6', 'pellet', DryState::Dry, SourceState::Accepted], ['use']],
    'in a hurry' => [['PA6', 'pellet', DryState::UseNow, SourceState::SmallTrialPassed], ['full_trial']],
    'both trials passed' => [['PP', 'flake', DryState::Unknown, SourceState::FullTrialPassed], ['accept']],
    'all at once' => [
        ['PA6', 'flake', DryState::Unknown, SourceState::OnTrial, false],
        ['look', 'dry', 'small_trial'],
    ],
]);

it('has words and a reason for every step of a lot', function () {
    foreach (LotStep::cases() as $step) {
        expect($step->says())->not->toBe('')->and($step->because())->not->toBe($step->says());
    }
});

it('opens of the ladder what follows, and that alone', function (SourceState $state, array $open) {
    $said = Trust::openTo($state);
    expect(array_map(static fn (Trust $t): string => $t->value, $said))->toBe($open);
    foreach (Trust::cases() as $trust) {
        in_array($trust, $said, true)
            ? expect($trust->after($state))->toBeInstanceOf(SourceState::class)
            : expect(fn () => $trust->after($state))->toThrow(InputError::class);
    }
})->with([
    [SourceState::OnTrial, ['small_trial_passed', 'small_trial_failed', 'delivery_good', 'delivery_failed']],
    [SourceState::SmallTrialPassed, ['full_trial_passed', 'full_trial_failed', 'delivery_good', 'delivery_failed']],
    [SourceState::FullTrialPassed, ['accepted', 'delivery_good', 'delivery_failed']],
    [SourceState::Accepted, ['delivery_good', 'delivery_failed']],
]);

it('gives of a mix as much as the part that runs out first', function () {
    $stock = MixStock::of([
        ['name' => 'white', 'parts' => 8.0, 'held_g' => 4000.0],
        ['name' => 'green', 'parts' => 2.0, 'held_g' => 300.0],
    ]);
    expect($stock->gives_g)->toBe(1500.0)->and($stock->runs_out)->toBe('green');
    $none = MixStock::of([
        ['name' => 'white', 'parts' => 1.0, 'held_g' => 4000.0],
        ['name' => 'blue', 'parts' => 1.0, 'held_g' => 0.0],
    ]);
    expect($none->gives_g)->toBe(0.0)->and($none->runs_out)->toBe('blue');
    expect(fn () => MixStock::of([['name' => 'white', 'parts' => 0.0, 'held_g' => 1.0]]))
        ->toThrow(InvalidArgumentException::class);
});

it('never gives more of a mix than is held, whatever the parts', function () {
    mt_srand(4);
    for ($case = 0; $case < 300; $case++) {
        $parts = array_map(static fn (int $i): array => [
            'name' => "part {$i}",
            'parts' => mt_rand(1, 1000) / 10,
            'held_g' => (float) mt_rand(0, 9000),
        ], range(1, mt_rand(1, 6)));
        $stock = MixStock::of($parts);
        $all = array_sum(array_column($parts, 'parts'));
        $over = array_map(
            static fn (array $p): float => $stock->gives_g * $p['parts'] / $all - $p['held_g'],
            $parts,
        );
        // All of the one that runs out goes, and no more than is there of the others.
        expect(max($over))->toEqualWithDelta(0.0, 1e-6);
        $out = array_search($stock->runs_out, array_column($parts, 'name'), true);
        expect($over[$out])->toEqualWithDelta(0.0, 1e-6);
    }
});

it('keeps out of an open container what is less than what is in it, by trust and by passes', function (): void {
    $in = [
        ['source' => SourceState::Accepted, 'generation' => 0],
        ['source' => SourceState::FullTrialPassed, 'generation' => 2],
    ];
    $stops = static fn (
        SourceState $source,
        int $generation,
    ): ?string => OneContainer::stops($in, 'lot L-7', $source, $generation)?->because;
    expect($stops(SourceState::FullTrialPassed, 2))->toBeNull()
        ->and($stops(SourceState::Accepted, 0))->toBeNull()
        ->and($stops(SourceState::SmallTrialPassed, 0))->toContain(
            'lot L-7 is less than what is in it: its source is trusted less',
        )
        ->and($stops(SourceState::Accepted, 3))->toContain('made again more often');
});

it('has the lightness that CIE gives the corners of sRGB', function (string $swatch, float $lstar): void {
    expect(Colour::lightness($swatch))->toEqualWithDelta($lstar / 100, 2e-4);
})->with([
    ['#000000', 0.0], ['#ffffff', 100.0], ['#ff0000', 53.24], ['#00ff00', 87.73], ['#0000ff', 32.30],
    ['#777777', 50.03], ['#010101', 0.274], ['#121212', 5.46],
]);

it('mixes a colour with itself to itself, the darkest too', function (string $swatch): void {
    expect(Colour::mean([[$swatch, 2.0], [$swatch, 5.0]]))->toBe($swatch);
})->with(['#000000', '#010101', '#0a0a0b', '#0b0c0d', '#2b2b2b', '#fefefe']);

it('names a run after the lot that most of its charge is of, and lets in nothing else', function (): void {
    expect(ChargeLots::main([4 => 300.0, 9 => 900.0, 2 => 100.0]))->toBe(9)
        ->and(ChargeLots::main([4 => 0.0004, 9 => 0.0006]))->toBe(9)
        ->and(ChargeLots::areOf([4 => 300.0, 9 => 0.0], [4 => 'L-4']))->toBeTrue()
        ->and(ChargeLots::areOf([4 => 300.0, 9 => 0.001], [4 => 'L-4']))->toBeFalse()
        ->and(ChargeLots::areOf([], []))->toBeTrue();
    expect(static fn () => ChargeLots::main([4 => 0.0, 9 => 0.0004]))->toThrow(InputError::class, 'nothing was weighed');
    ChargeLots::mustBeOf([4 => 300.0], [4 => 'L-4', 5 => 'L-5']);
    expect(static fn () => ChargeLots::mustBeOf([4 => 300.0, 9 => 1.0], [4 => 'L-4', 5 => 'L-5']))
        ->toThrow(InputError::class, 'is of another lot than L-4, L-5');
    ChargeLots::mustHold([4 => 300.0], 4, 'L-4');
    foreach ([[4 => 0.0005], [9 => 300.0]] as $grams) {
        expect(static fn () => ChargeLots::mustHold($grams, 4, 'L-4'))
            ->toThrow(InputError::class, 'nothing of lot L-4 is in this charge');
    }
});

it('takes two scales for one within a fiftieth, and everything where nothing was given', function (): void {
    expect(ChargeLots::beyond(1000, 1020))->toBe(0.0)
        ->and(ChargeLots::beyond(1000, 1021))->toBe(21.0)
        ->and(ChargeLots::beyond(0, 0.4))->toBe(0.4)
        ->and(ChargeLots::beyond(0, -5))->toBe(0.0);
});

it('stands exactly so much foreign matter, and says what it does', function (
    string $lot,
    string $found,
    float $last,
    float $first,
    string $because,
): void {
    $of = static fn (float $g): Contamination => new Contamination(new PolymerLibrary, $lot, $found, $g, 1000);
    expect($of($last)->verdict)->toBe('within')
        ->and($of($first)->verdict)->toBe('too much')
        ->and($of($first)->because)->toBe($because);
})->with([
    'what ruins parts' => [
        'HDPE', 'PET', 5.0, 5.1,
        'PET: 0.51 % of the sample, over the 0.5 % that may be: '
            .(new PolymerLibrary)->get('HDPE')->harmedBy('PET')?->why.'.',
    ],
    'what weakens' => [
        'PS', 'ABS', 20.0, 20.5,
        'ABS: 2.05 % of the sample, over the 2 % that may be: '
            .(new PolymerLibrary)->get('PS')->harmedBy('ABS')?->why.'.',
    ],
    'dirt' => ['HDPE', 'paper', 10.0, 12.0, 'paper: 1.2 % of the sample, over the 1 % that may be.'],
    'what it blends with' => ['HDPE', 'LDPE', 300.0, 310.0, 'LDPE: 31 % of the sample, over the 30 % that may be.'],
    'metal' => ['HDPE', 'metal', 0.0, 0.1, 'metal: 0.01 % of the sample, over the 0 % that may be.'],
]);

it('lets a balance close within a step of each weighing, or a five-hundredth of it for dust', function (
    float $in,
    float $scale,
    int $weighings,
    float $tolerance,
): void {
    $missing = static fn (float $g): MassBalance => new MassBalance($in, $in - $g, 0, $scale, $weighings);
    expect($missing(0)->tolerance_g)->toEqualWithDelta($tolerance, 1e-9)
        ->and($missing($tolerance)->closes)->toBeTrue()
        ->and($missing(-$tolerance)->closes)->toBeTrue()
        ->and($missing($tolerance + 0.1)->closes)->toBeFalse()
        ->and($missing(-$tolerance - 0.1)->because)->toContain('more came out');
})->with([
    'steps' => [1000, 1, 5, 5.0], 'dust' => [10000, 1, 5, 20.0], 'one at the least' => [100, 5, 0, 5.0],
]);

it('leaves it to a lead to accept a source, and to nobody else', function (): void {
    $lead = array_filter(Trust::cases(), static fn (Trust $t): bool => $t->leadOnly());
    $warm = array_filter(Trust::cases(), static fn (Trust $t): bool => $t->needsTemperature());
    expect(array_values($lead))->toBe([Trust::Accepted])
        ->and(array_values($warm))->toBe([Trust::SmallTrialPassed, Trust::FullTrialPassed]);
});
