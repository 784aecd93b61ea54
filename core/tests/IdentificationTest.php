<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Identification\Belief;
use Dithermic\Core\Identification\Knowledge;
use Dithermic\Core\Identification\Rank;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\MixedTub;

it('decides rightly, quickly, and takes hardly anything for heat that must stay cold', function (
    float $factor,
    bool $scale,
    float $right,
    float $decided,
    int $median,
) {
    $score = (new MixedTub)->sort(3000, $factor, $scale, 7);
    expect($score->neverHotAccepted)->toBeLessThanOrEqual(0.005)
        ->and($score->rightOfDecided)->toBeGreaterThanOrEqual($right)
        ->and($score->decided)->toBeGreaterThanOrEqual($decided)
        ->and($score->medianTests)->toBeLessThanOrEqual($median);
})->with([
    'as in the table' => [1.0, false, 0.95, 0.63, 6],
    'the table is off by up to two' => [2.0, false, 0.94, 0.62, 6],
    'the table is off by up to two, with a density' => [2.0, true, 0.96, 0.75, 4],
]);

it('stays unknown on look-alikes of what must stay cold, and says what would tell', function (
    array $evidence,
    string $because,
    ?string $next,
) {
    $seen = array_map(
        static fn (string $test, string $result): array => ['test' => $test, 'result' => $result],
        array_keys($evidence),
        $evidence,
    );
    $got = (new Registry)->run('identify.rank', ['evidence' => $seen]);
    expect($got->decision)->toBe(Rank::UNKNOWN)
        ->and($got->because)
        ->toContain($because)
        ->and($got->next_test?->test)
        ->toBe($next);
})->with([
    'a vinyl hose is not TPU' => [
        [
            'water' => 'sinks',
            'feel' => 'rubbery',
            'crease' => 'springs back',
            'item_kind' => 'pipe, duct or window profile',
            'bend' => 'soft',
        ],
        'Most likely soft PVC',
        'freezer',
    ],
    'a soft mat, before the freezer' => [
        [
            'water' => 'sinks',
            'feel' => 'rubbery',
            'crease' => 'springs back',
            'item_kind' => 'soft grip, sole or mat',
            'bend' => 'soft',
        ],
        'oft PVC',
        'freezer',
    ],
    'a thermoset knob is not POM' => [
        [
            'water' => 'sinks',
            'salt_1_20' => 'sinks',
            'feel' => 'hard, slick',
            'crease' => 'cracks',
            'clarity' => 'opaque',
            'item_kind' => 'gear, clip or bushing',
            'sound' => 'click',
        ],
        'none of these',
        'shave',
    ],
    'a clear vinyl tray is not PET' => [
        [
            'water' => 'sinks',
            'salt_1_20' => 'sinks',
            'clarity' => 'glass clear',
            'crease' => 'whitens',
            'item_kind' => 'tub, tray or pot',
        ],
        'PVC is still possible',
        'resin_mark',
    ],
]);

it('never decides for heat what it holds most likely to be PVC or none of these', function () {
    $knowledge = new Knowledge;
    mt_srand(crc32('cold'));
    for ($i = 0; $i < 400; $i++) {
        $evidence = [];
        foreach ((array) array_rand($knowledge->tests, mt_rand(2, 8)) as $test) {
            $evidence[] = [
                'test' => $test,
                'result' => $knowledge->tests[$test]['results'][array_rand($knowledge->tests[$test]['results'])],
            ];
        }
        try {
            $got = (new Registry)->run('identify.rank', ['evidence' => $evidence]);
        } catch (InputError $error) {
            expect($error->getMessage())->toContain('not for this kind of item');

            continue;
        }
        $odds = array_column(array_map(get_object_vars(...), $got->ranked), 'probability', 'code');
        expect($got->decision)->not->toBeIn($knowledge->neverHot);
        if ($got->decision !== Rank::UNKNOWN) {
            expect($odds['PVC-U'] + $odds['PVC-P'] + $odds['OTHER'])->toBeLessThanOrEqual($knowledge->neverHotBar)
                ->and($got->never_hot)
                ->toBeLessThanOrEqual($knowledge->neverHotBar);
        }
    }
});

it('is not talked out of PVC by a list of candidates that leaves it out', function () {
    $got = (new Registry)->run('identify.rank', ['candidates' => ['TPU', 'EVA', 'HDPE'], 'evidence' => [
        ['test' => 'water', 'result' => 'sinks'],
        ['test' => 'feel', 'result' => 'rubbery'],
        ['test' => 'crease', 'result' => 'springs back'],
        ['test' => 'bend', 'result' => 'soft'],
    ]]);
    expect($got->decision)->toBe(Rank::UNKNOWN)
        ->and(array_column($got->ranked, 'code'))
        ->toEqualCanonicalizing(['TPU', 'EVA', 'HDPE'])
        ->and($got->never_hot)
        ->toBeGreaterThan(0.1);
});

it('accepts TPU only after a test that tells it from soft PVC', function () {
    $mat = [
        ['test' => 'item_kind', 'result' => 'soft grip, sole or mat'],
        ['test' => 'density', 'g_cm3' => 1.12, 'se' => 0.01],
        ['test' => 'feel', 'result' => 'rubbery'],
        ['test' => 'crease', 'result' => 'springs back'],
    ];
    $told = [
        ['test' => 'freezer', 'result' => 'still soft'],
        ['test' => 'salt_1_20', 'result' => 'floats'],
        ['test' => 'shave', 'result' => 'curls'],
    ];
    expect((new Registry)->run('identify.rank', ['evidence' => [...$mat, ...$told]])->decision)->toBe('TPU')
        ->and(
            (new Registry)->run(
                'identify.rank',
                ['evidence' => [...$mat, ['test' => 'freezer', 'result' => 'stiff']]],
            )->decision,
        )->toBe(Rank::UNKNOWN);
});

it('offers a test only on the kind of item that it is for, and refuses it on another', function () {
    $asked = static fn (string $kind): array => array_map(
        static fn (string $test): bool => (new Knowledge)->suits($test, $kind),
        ['bottle_bottom', 'freezer'],
    );
    expect($asked('clear drink bottle'))->toBe([true, true])
        ->and($asked('housing or toy'))
        ->toBe([false, true])
        ->and((new Knowledge)->suits('bottle_bottom', null))
        ->toBeFalse();
    $knob = [
        'evidence' => [
            ['test' => 'bottle_bottom', 'result' => 'a dot'],
            ['test' => 'item_kind', 'result' => 'housing or toy'],
        ],
    ];
    expect(fn () => (new Registry)->run('identify.rank', $knob))->toThrow(
        fn (InputError $e) => expect($e->field)->toBe('evidence.0.test'),
    );
});

it('weighs what is none of the polymers by its own rows', function () {
    $bands = (new Knowledge)->densities('OTHER', new PolymerLibrary);
    expect(array_sum(array_column($bands, 2)))->toEqualWithDelta(1.0, 1e-9);
    $heavy = (new Registry)->run(
        'identify.rank',
        ['evidence' => [['test' => 'density', 'g_cm3' => 1.85, 'se' => 0.01]]],
    );
    expect($heavy->ranked[0]->code)->toBe('OTHER');
});

it('holds likelihoods that sum to one for every polymer and test', function () {
    $knowledge = new Knowledge;
    expect(array_sum($knowledge->priors()))->toEqualWithDelta(1.0, 1e-12);
    foreach ($knowledge->tests as $test) {
        foreach (array_keys($knowledge->priors()) as $code) {
            expect(array_keys($test['likelihood'][$code]))->toEqualCanonicalizing($test['results'])
                ->and(array_sum($test['likelihood'][$code]))->toEqualWithDelta(1.0, 2e-3);
        }
        expect($test['how'])->not->toContain('burn');
    }
});

it('takes the liquids as one density: the order does not matter and their errors do not multiply', function () {
    $knowledge = new Knowledge;
    $after = function (array ...$seen) use ($knowledge): array {
        $belief = new Belief($knowledge, new PolymerLibrary, $knowledge->priors());
        foreach ($seen as [$test, $result]) {
            $belief->see($test, $result);
        }

        return $belief->probabilities();
    };
    $one = $after(['water', 'sinks'], ['salt_1_20', 'sinks']);
    $other = $after(['salt_1_20', 'sinks'], ['water', 'sinks']);
    foreach ($one as $code => $share) {
        expect($other[$code])->toEqualWithDelta($share, 1e-12);
    }
    // HDPE that sinks in both is one holed chip, not two mistakes: the second sinking hardly speaks against it again.
    $water = $knowledge->tests['water']['likelihood']['HDPE']['sinks'];
    $odds = static fn (array $p): float => $p['HDPE'] / $p['PET'];
    $priors = $knowledge->priors();
    $independent = $priors['HDPE'] * $water ** 2 / (
        $priors['PET'] * $knowledge->tests['water']['likelihood']['PET']['sinks'] ** 2
    );
    expect($odds($one))->toBeGreaterThan(5 * $independent);
});

it('expects information that is never negative and is what a test really brings on the mean', function () {
    $knowledge = new Knowledge;
    $polymers = new PolymerLibrary;
    $entropy = static fn (array $p): float => -array_sum(array_map(
        static fn (float $x): float => $x > 0 ? $x * log($x, 2) : 0.0,
        $p,
    ));
    foreach (array_keys($knowledge->tests) as $test) {
        $belief = new Belief($knowledge, $polymers, $knowledge->priors());
        $belief->see('bend', 'stiff');
        if ($test === 'bend') {
            continue;
        }
        $after = 0.0;
        $before = $belief->total();
        foreach ($knowledge->tests[$test]['results'] as $result) {
            $then = clone $belief;
            $then->see($test, $result);
            $after += $then->total() / $before * $entropy($then->probabilities());
        }
        expect($belief->information($test))->toEqualWithDelta($entropy($belief->probabilities()) - $after, 1e-9)
            ->toBeGreaterThanOrEqual(0.0);
    }
});

it('says which two tests disagree, and stays unknown while PVC is possible', function () {
    $registry = new Registry;
    $torn = $registry->run(
        'identify.rank',
        [
            'evidence' => [
                ['test' => 'resin_mark', 'result' => '5'],
                ['test' => 'water', 'result' => 'sinks'],
                ['test' => 'sound', 'result' => 'click'],
            ],
        ],
    );
    expect($torn->conflict->tests)->toBe(['resin_mark', 'water'])->and($torn->warnings)->not->toBe([]);
    $profile = $registry->run(
        'identify.rank',
        [
            'evidence' => [
                ['test' => 'item_kind', 'result' => 'other'],
                ['test' => 'crease', 'result' => 'whitens'],
                ['test' => 'feel', 'result' => 'hard, slick'],
            ],
        ],
    );
    expect($profile->decision)->toBe(Rank::UNKNOWN)
        ->and($profile->never_hot)
        ->toBeGreaterThan(0.02)
        ->and($profile->because)
        ->toContain('is still possible');
    $none = $registry->run(
        'identify.rank',
        [
            'evidence' => [['test' => 'water', 'result' => 'sinks']],
            'exclude_tests' => array_keys((new Knowledge)->tests),
        ],
    );
    expect($none->next_test)->toBeNull()->and($none->because)->toContain('never goes hot');
});

it('decides a family together and keeps to the limits of the weaker one', function () {
    $got = (new Registry)->run(
        'identify.rank',
        [
            'evidence' => [
                ['test' => 'item_kind', 'result' => 'film or bag'],
                ['test' => 'feel', 'result' => 'waxy, marks'],
                ['test' => 'alcohol_0_93', 'result' => 'floats'],
                ['test' => 'bend', 'result' => 'soft'],
            ],
        ],
    );
    expect($got->decision)->toBe('LDPE')
        ->and($got->family)
        ->toBe(['LDPE', 'LLDPE'])
        ->and($got->heat_as)
        ->toBeIn(['LDPE', 'LLDPE']);
});

it('learns from what the shop has confirmed, and weighs a density', function () {
    $registry = new Registry;
    $priors = fn (array $confirmed): array => array_column(
        json_decode(
            (string) json_encode(
                $registry->run('identify.rank', ['evidence' => [], 'confirmed' => $confirmed])->ranked,
            ),
            true,
        ),
        'probability',
        'code',
    );
    expect($priors(['PA6' => 200])['PA6'])->toEqualWithDelta((200 * 0.013708 + 200) / 400, 1e-3);
    $weighed = $registry->run(
        'identify.rank',
        [
            'evidence' => [
                ['test' => 'density', 'g_cm3' => 0.905, 'se' => 0.003],
                ['test' => 'crease', 'result' => 'whitens'],
            ],
        ],
    );
    expect($weighed->decision)->toBe('PP');
});

it('refuses by name', function (array $input, string $field) {
    expect(
        fn () => (new Registry)->run('identify.rank', $input),
    )->toThrow(fn (InputError $e) => expect($e->field)->toBe($field));
})->with([
    [['evidence' => [['test' => 'water', 'result' => 'dissolves']]], 'evidence.0.result'],
    [
        ['evidence' => [['test' => 'water', 'result' => 'floats'], ['test' => 'water', 'result' => 'sinks']]],
        'evidence.1.test',
    ],
    [['evidence' => [['test' => 'density']]], 'evidence.0.g_cm3'],
    [['evidence' => [], 'candidates' => ['Bakelite']], 'candidates'],
    [['evidence' => [], 'confirmed' => ['Bakelite' => 3]], 'confirmed.Bakelite'],
]);
