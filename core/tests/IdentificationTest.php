<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Identification\Belief;
use Dithermic\Core\Identification\Knowledge;
use Dithermic\Core\Identification\Rank;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\MixedTub;

it('decides rightly, quickly and without letting PVC through', function (float $disturbed, bool $scale, float $right, float $decided, float $pvc, int $median) {
    $score = (new MixedTub)->sort(5000, $disturbed, $scale, 7);
    expect($score->rightOfDecided)->toBeGreaterThanOrEqual($right)
        ->and($score->decided)->toBeGreaterThanOrEqual($decided)
        ->and($score->pvcLetThrough)->toBeLessThan($pvc)
        ->and($score->medianTests)->toBeLessThanOrEqual($median);
})->with([
    'as in the table' => [0.0, false, 0.95, 0.70, 0.002, 5],
    'with a density' => [0.0, true, 0.95, 0.85, 0.002, 5],
    'the table is 20 % wrong' => [0.2, false, 0.94, 0.65, 0.003, 6],
    'the table is 20 % wrong, with a density' => [0.2, true, 0.94, 0.80, 0.003, 6],
]);

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
    $independent = $priors['HDPE'] * $water ** 2 / ($priors['PET'] * $knowledge->tests['water']['likelihood']['PET']['sinks'] ** 2);
    expect($odds($one))->toBeGreaterThan(5 * $independent);
});

it('expects information that is never negative and is what a test really brings on the mean', function () {
    $knowledge = new Knowledge;
    $polymers = new PolymerLibrary;
    $entropy = static fn (array $p): float => -array_sum(array_map(static fn (float $x): float => $x > 0 ? $x * log($x, 2) : 0.0, $p));
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
        expect($belief->information($test))->toEqualWithDelta($entropy($belief->probabilities()) - $after, 1e-9)->toBeGreaterThanOrEqual(0.0);
    }
});

it('says which two tests disagree, and stays unknown while PVC is possible', function () {
    $registry = new Registry;
    $torn = $registry->run('identify.rank', ['evidence' => [['test' => 'resin_mark', 'result' => '5'], ['test' => 'water', 'result' => 'sinks'], ['test' => 'sound', 'result' => 'click']]]);
    expect($torn->conflict->tests)->toBe(['resin_mark', 'water'])->and($torn->warnings)->not->toBe([]);
    $profile = $registry->run('identify.rank', ['evidence' => [['test' => 'item_kind', 'result' => 'other'], ['test' => 'crease', 'result' => 'whitens'], ['test' => 'feel', 'result' => 'hard, slick']]]);
    expect($profile->decision)->toBe(Rank::UNKNOWN)->and($profile->pvc)->toBeGreaterThan(0.02)->and($profile->because)->toContain('PVC is still possible')->and($profile->ranked[0]->code)->toBe('ABS');
    $none = $registry->run('identify.rank', ['evidence' => [['test' => 'water', 'result' => 'sinks']], 'exclude_tests' => array_keys((new Knowledge)->tests)]);
    expect($none->next_test)->toBeNull()->and($none->because)->toContain('never goes hot');
});

it('decides a family together and keeps to the limits of the weaker one', function () {
    $got = (new Registry)->run('identify.rank', ['evidence' => [['test' => 'item_kind', 'result' => 'film or bag'], ['test' => 'feel', 'result' => 'waxy, marks'], ['test' => 'alcohol_0_93', 'result' => 'floats'], ['test' => 'bend', 'result' => 'soft']]]);
    expect($got->decision)->toBe('LDPE')->and($got->family)->toBe(['LDPE', 'LLDPE'])->and($got->heat_as)->toBeIn(['LDPE', 'LLDPE']);
});

it('learns from what the shop has confirmed, and weighs a density', function () {
    $registry = new Registry;
    $priors = fn (array $confirmed): array => array_column(json_decode((string) json_encode($registry->run('identify.rank', ['evidence' => [], 'confirmed' => $confirmed])->ranked), true), 'probability', 'code');
    expect($priors(['PA6' => 200])['PA6'])->toEqualWithDelta((200 * 0.0149 + 200) / 400, 1e-3);
    $weighed = $registry->run('identify.rank', ['evidence' => [['test' => 'density', 'g_cm3' => 0.905, 'se' => 0.003], ['test' => 'crease', 'result' => 'whitens']]]);
    expect($weighed->decision)->toBe('PP');
});

it('refuses by name', function (array $input, string $field) {
    expect(fn () => (new Registry)->run('identify.rank', $input))->toThrow(fn (InputError $e) => expect($e->field)->toBe($field));
})->with([
    [['evidence' => [['test' => 'water', 'result' => 'dissolves']]], 'evidence.0.result'],
    [['evidence' => [['test' => 'water', 'result' => 'floats'], ['test' => 'water', 'result' => 'sinks']]], 'evidence.1.test'],
    [['evidence' => [['test' => 'density']]], 'evidence.0.g_cm3'],
    [['evidence' => [], 'candidates' => ['Bakelite']], 'candidates'],
    [['evidence' => [], 'confirmed' => ['Bakelite' => 3]], 'confirmed.Bakelite'],
]);
