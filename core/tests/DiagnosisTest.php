<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Diagnosis\Knowledge;
use Dithermic\Core\Diagnosis\When;

/** @return array<string, mixed> */
function diagnose(array $over): array
{
    $input = $over + ['process' => 'compression', 'defects' => [['id' => 'cmp_flakes', 'severity' => 'scrap']]];

    return calculate('diagnose.rank', $input);
}

it('reads every condition of the knowledge, and every name in it is known', function (): void {
    $knowledge = new Knowledge;
    expect($knowledge->defects)->toHaveCount(71)->and($knowledge->signals)->toHaveCount(60);
    foreach ($knowledge->defects as $defect) {
        foreach ($knowledge->causes($defect['id'], null) as $cause) {
            foreach ($cause['evidence'] as $line) {
                When::of($line['when']);
                expect($knowledge->signals)->toHaveKey($line['signal'])
                    ->and($line['likelihood_ratio'])
                    ->toBeGreaterThan(0);
            }
            foreach ($cause['remedies'] as $remedy) {
                expect($knowledge->parameters)->toHaveKey($remedy['parameter']);
                expect(array_diff($remedy['cautions'] ?? [], array_keys($knowledge->cautions)))->toBe([]);
            }
        }
    }
});

it('gives shares of one for every defect, whatever was read', function (): void {
    $knowledge = new Knowledge;
    mt_srand(11);
    foreach ($knowledge->defects as $defect) {
        $signals = [];
        foreach ($knowledge->signals as $id => $signal) {
            if (mt_rand(0, 4) === 0) {
                $signals[$id] = match ($signal['kind']) {
                    'number' => $signal['range'][0] + (
                        $signal['range'][1] - $signal['range'][0]
                    ) * mt_rand(0, 1000) / 1000,
                    'bool' => mt_rand(0, 1) === 1,
                    default => $signal['values'][array_rand($signal['values'])],
                };
            }
        }
        $found = diagnose([
            'process' => $defect['process'][0],
            'defects' => [['id' => $defect['id']]],
            'signals' => $signals,
        ]);
        $shares = array_column($found['causes'], 'probability');
        $sorted = $shares;
        rsort($sorted);
        expect(array_sum($shares))->toEqualWithDelta(1.0, 1e-9)
            ->and($shares)
            ->toBe($sorted)
            ->and(min($shares))
            ->toBeGreaterThan(0);
    }
});

it('knows when a condition holds, at its edges too', function (string $when, mixed $value, bool $holds): void {
    expect(When::of($when)->holds($value))->toBe($holds);
})->with([
    ['< 0.9', 0.9, false], ['< 0.9', 0.8999, true], ['<= 0.9', 0.9, true], ['> 15', 15.0, false], ['>= 15', 15.0, true],
    ['between 0.9 1.1', 0.9, true], ['between 0.9 1.1', 1.1, true], ['between 0.9 1.1', 1.11, false],
    ['== true', true, true],
    ['== false', true, false],
    ['== thin section', 'thin section', true],
    ['!= none', 'jam', true],
    ['!= none', 'none', false],
    ['in low|uneven', 'uneven', true], ['in low|uneven', 'over_tight', false],
    ['== jam', ['none', 'jam'], true],
    ['!= jam', ['power_dip', 'jam'], false],
    ['in jam|leak_seen', ['power_dip'], false],
    ['> 1', 'much', false],
]);

it('counts what shares a group once in full and the rest by its root, and never past fifty', function (): void {
    $knowledge = new Knowledge;
    $cause = $knowledge->causes('short_shot', null)['melt_too_cold'];
    $ratios = array_column($cause['evidence'], 'likelihood_ratio', 'signal');
    $asked = static fn (array $signals): array => array_column(
        diagnose(['process' => 'injection', 'defects' => [['id' => 'short_shot']], 'signals' => $signals])['causes'],
        'probability',
        'id',
    );
    $odds = static fn (array $p, string $against): float => $p['melt_too_cold'] / $p[$against];
    // Neither of these two speaks for or against the vents: the odds against them show the ratio alone.
    $none = $asked([]);
    $both = $asked(['melt_temp_vs_window' => 0.1, 'dial_minus_probe_k' => 20.0]);
    expect($odds($both, 'air_trapped') / $odds($none, 'air_trapped'))->toEqualWithDelta(4.0 * sqrt(2.5), 1e-6)
        ->and($ratios['dial_minus_probe_k'])
        ->toBe(2.5);
});

it('lets answers count, once each, and refuses one to no question', function (): void {
    $none = array_column(diagnose([])['causes'], 'probability', 'id');
    $yes = array_column(diagnose(['answers' => ['heat_too_short.0' => 'yes']])['causes'], 'probability', 'id');
    $no = array_column(diagnose(['answers' => ['heat_too_short.0' => 'no']])['causes'], 'probability', 'id');
    $unknown = array_column(diagnose(['answers' => ['heat_too_short.0' => 'unknown']])['causes'], 'probability', 'id');
    $odds = static fn (array $p): float => $p['heat_too_short'] / $p['plates_too_cool'];
    expect($odds($yes) / $odds($none))->toEqualWithDelta(3.0, 1e-9)
        ->and($odds($no) / $odds($none))
        ->toEqualWithDelta(0.4, 1e-9)
        ->and($unknown)
        ->toBe($none);
});

it('refuses what it does not know, by its field', function (array $over, string $field): void {
    expect(static fn (): array => diagnose($over))->toThrow(
        static fn (InputError $e) => expect($e->field)->toBe($field),
    );
})->with([
    [['defects' => []], 'defects'],
    [['defects' => [['id' => 'cmp_flakes'], ['id' => 'nothing']]], 'defects.1.id'],
    [['defects' => [['id' => 'short_shot']]], 'defects.0.id'],
    [['process' => 'extrusion', 'mode' => 'profile', 'defects' => [['id' => 'ext_sink']]], 'defects.0.id'],
    [['signals' => ['colour' => 'red']], 'signals.colour'],
    [['signals' => ['heat_time_ratio' => 'short']], 'signals.heat_time_ratio'],
    [['signals' => ['vent_state' => 'shut']], 'signals.vent_state'],
    [['answers' => ['heat_too_short.9' => 'yes']], 'answers.heat_too_short.9'],
    [['answers' => ['heat_too_short.0' => 'maybe']], 'answers.heat_too_short.0'],
    [['known' => [['parameter' => 'melt_set_c', 'min' => 2, 'max' => 1]]], 'known.0.max'],
]);

it('drops what does not count in a mode and lets the rest sum to one', function (): void {
    foreach (['profile', 'mould_fill'] as $mode) {
        $found = diagnose(['process' => 'extrusion', 'mode' => $mode, 'defects' => [['id' => 'ext_voids']]]);
        expect(array_sum(array_column($found['causes'], 'probability')))->toEqualWithDelta(1.0, 1e-9);
    }
    expect((new Knowledge)->causes('ext_voids', 'profile'))->not->toEqual(
        (new Knowledge)->causes('ext_voids', 'mould_fill'),
    );
});

it('adds what several defects share by their severity', function (): void {
    $one = array_column(
        diagnose(['process' => 'injection', 'defects' => [['id' => 'short_shot']]])['causes'],
        'probability',
        'id',
    );
    $two = diagnose([
        'process' => 'injection',
        'defects' => [['id' => 'short_shot', 'severity' => 'scrap'], ['id' => 'sink_marks', 'severity' => 'cosmetic']],
    ]);
    $shared = array_values(array_filter($two['causes'], static fn (array $c): bool => count($c['defects']) === 2));
    expect($shared)->not->toBe([])
        ->and(array_sum(array_column($two['causes'], 'probability')))
        ->toEqualWithDelta(1.0, 1e-9)
        ->and($one)->not
        ->toBe([]);
});

it('proposes one change, never past a limit, nor what was tried in vain', function (): void {
    $clear = ['signals' => ['heat_time_ratio' => 0.7]];
    $first = diagnose($clear)['next_change'];
    expect($first['parameter'])->not->toBeNull()->and($first['change'])->toBe('raise');
    $known = [['parameter' => $first['parameter'], 'now' => 10.0, 'max' => 10.5]];
    $near = diagnose($clear + ['known' => $known])['next_change'];
    expect($near['from'])->toBe(10)->and($near['to'])->toBe(10.5);
    $at = diagnose($clear + ['known' => [['parameter' => $first['parameter'], 'now' => 10.5, 'max' => 10.5]]]);
    expect($at['next_change']['parameter'] ?? null)->not->toBe($first['parameter'])
        ->and($at['warnings'][0])
        ->toContain('at its limit');
    $tried = diagnose(
        $clear + ['history' => [['parameter' => $first['parameter'], 'from' => 8, 'to' => 10, 'worked' => false]]],
    );
    expect($tried['next_change']['parameter'] ?? null)->not->toBe($first['parameter'])
        ->and($tried['warnings'][0])
        ->toContain('did not help');
    // What went the other way says nothing against this way.
    $other = diagnose(
        $clear + ['history' => [['parameter' => $first['parameter'], 'from' => 10, 'to' => 8, 'worked' => false]]],
    );
    expect($other['next_change']['parameter'])->toBe($first['parameter'])->and($other['next_change']['from'])->toBe(8);
});

it('asks what tells most, and nothing twice', function (): void {
    $asked = [];
    $input = ['signals' => [], 'answers' => []];
    for ($i = 0; $i < 12; $i++) {
        $question = diagnose($input)['next_question'];
        if ($question === null) {
            break;
        }
        expect($asked)->not->toContain($question['id'])
            ->and($question['bits'])
            ->toBeGreaterThan(0)
            ->and($question['text'])->not
            ->toBe('');
        $asked[] = $question['id'];
        $question['kind'] === 'ask'
            ? $input['answers'][$question['id']] = 'unknown'
            : $input['signals'][$question['id']] = $question['choices'][0] ?? 1.0;
    }
    expect(count($asked))->toBeGreaterThan(3);
});

it('puts what hurts before the diagnosis', function (): void {
    expect(diagnose(['signals' => ['machine_event' => ['leak_seen']]])['cautions'][0])->toContain('Melt under pressure')
        ->and(
            diagnose([
                'process' => 'injection',
                'defects' => [['id' => 'short_shot']],
                'signals' => ['mould_condition' => 'cracked'],
            ])['cautions'][0],
        )->toContain('printed or cast mould');
});
