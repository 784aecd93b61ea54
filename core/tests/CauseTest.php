<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Diagnosis\CaseEntry;
use Dithermic\Core\Diagnosis\CaseFile;
use Dithermic\Core\Diagnosis\Knowledge;
use Dithermic\Core\Diagnosis\Lever;
use Dithermic\Core\Diagnosis\Outcomes;
use Dithermic\Core\Diagnosis\Rank;
use Dithermic\Core\Diagnosis\RankInput;
use Dithermic\Core\Diagnosis\UsedLot;
use Dithermic\Core\Diagnosis\Witness;
use Dithermic\Core\Learning\Lesson;
use Dithermic\Core\Learning\Lessons;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;

const PRESSED = [
    'charge_mass_g' => 2165.9, 'charge_tolerance_g' => 21.7, 'heat_min' => 12.8, 'cool_min' => 6.4, 'platen_c' => 172,
    'platen_ready_c' => 167, 'demould_c' => 68, 'pieces' => 1,
];

function processesAll(): Processes
{
    return new Processes(new Registry(new PolymerLibrary));
}

/** A pressed sheet: weighed, heated and cooled for so long, and judged. */
function pressedRun(float $mass = 2166.0, float $heat = 12.8, float $cool = 6.4, string $verdict = 'good'): RunState
{
    $events = [];
    $add = static function (float $min, string $type, array $data) use (&$events): void {
        $events[] = new Event('k'.count($events), EventType::from($type), 60 * $min, 'Ines', $data, true);
    };
    $add(0, 'started', []);
    $add(1, 'logged', ['entry' => 'platen', 'values' => ['top_c' => 175, 'low_c' => 169]]);
    $add(1, 'step_done', ['step' => 'preheat']);
    foreach (['wiped', 'smooth', 'release'] as $item) {
        $add(2, 'confirmed', ['step' => 'plates', 'item' => $item]);
    }
    $add(2, 'step_done', ['step' => 'plates']);
    $add(3, 'logged', ['entry' => 'weigh', 'values' => ['mass_g' => $mass]]);
    $add(3, 'step_done', ['step' => 'weigh', 'reason' => 'a test']);
    foreach (['corners', 'even'] as $item) {
        $add(4, 'confirmed', ['step' => 'spread', 'item' => $item]);
    }
    $add(4, 'step_done', ['step' => 'spread']);
    $add(5, 'step_done', ['step' => 'slide_in']);
    $add(5 + $heat, 'step_done', ['step' => 'heat', 'reason' => 'a test']);
    $add(5 + $heat, 'step_done', ['step' => 'transfer']);
    $add(5.1 + $heat, 'logged', ['entry' => 'cold_pressure', 'values' => ['gauge_bar' => 40]]);
    $add(5.1 + $heat, 'step_done', ['step' => 'pressure_on']);
    $add(5.1 + $heat + $cool, 'step_done', ['step' => 'cool', 'reason' => 'a test']);
    foreach (array_keys(pressingWay()->step('open')->confirm) as $item) {
        $add(20 + $heat + $cool, 'confirmed', ['step' => 'open', 'item' => $item]);
    }
    $add(20 + $heat + $cool, 'step_done', ['step' => 'open', 'reason' => 'a test']);
    $add(20 + $heat + $cool, 'step_done', ['step' => 'check', 'reason' => 'a test']);
    $add(
        20 + $heat + $cool,
        'logged',
        ['entry' => 'disposition', 'values' => ['verdict' => $verdict, 'reason' => 'x']],
    );
    $add(20 + $heat + $cool, 'step_done', ['step' => 'decide', 'reason' => 'a test']);
    $machine = new RunMachine(pressingWay(), PRESSED);
    $state = new RunState;
    foreach ($events as $event) {
        $why = $machine->refuses($state, $event);
        expect($why?->getMessage())->toBeNull("{$event->type->value} ".json_encode($event->data));
        $state = $machine->fold(array_slice($events, 0, 1 + (int) substr($event->key, 1)));
    }

    return $state;
}

function pressingWay(): Procedure
{
    return new Procedure(processesAll()->get('compression')->procedure());
}

/** @return array<string, float|bool|string> values by signal */
function told(Witness $of, string $process = 'compression'): array
{
    $signals = [...$of->tells(), ...processesAll()->get($process)->evidence($of)];

    return array_combine(
        array_map(static fn ($s): string => $s->signal, $signals),
        array_map(static fn ($s): float|bool|string => $s->value, $signals),
    );
}

function witness(RunState $state, string $polymer = 'HDPE', mixed ...$with): Witness
{
    return new Witness(pressingWay(), $state, null, PRESSED, (new PolymerLibrary)->get($polymer), ...$with);
}

it('tells of a pressed sheet what its log holds, and nothing that it does not', function (): void {
    $told = told(witness(pressedRun(2100.0, 9.6, 8.0)));
    expect($told['heat_time_ratio'])->toEqualWithDelta(9.6 / 12.8, 1e-3)
        ->and($told['cool_time_ratio'])->toEqualWithDelta(1.25, 1e-3)
        ->and($told['charge_ratio'])->toEqualWithDelta(2100 / 2165.9, 1e-3)
        ->and($told['face_diff_k'])->toBe(6.0)
        ->and($told)->not->toHaveKeys(
            ['moisture_state', 'source_state', 'reuse_passes', 'weight_cv_pct', 'defect_repeat'],
        )
        // Before anything is done nothing is known.
        ->and(told(witness(new RunState)))->toBe([]);
});

it('tells the state of its lots by the worst of them', function (): void {
    $lot = static fn (
        string $code,
        ?bool $dry = null,
        bool $checked = false,
        ?bool $proven = null,
        int $again = 0,
    ): UsedLot => new UsedLot($code, $dry, $checked, $proven, $again);
    $of = static fn (string $polymer, UsedLot ...$lots): array => told(
        witness(new RunState, $polymer, array_values($lots)),
    );
    expect($of('HDPE', $lot('a'))['moisture_state'])->toBe('not_sensitive')
        ->and($of('PA6', $lot('a')))->not->toHaveKey('moisture_state')
        ->and($of('PA6', $lot('a', true, true), $lot('b', false))['moisture_state'])->toBe('not_dried')
        ->and($of('PA6', $lot('a', true, true), $lot('b', true))['moisture_state'])->toBe('dried_unverified')
        ->and($of('PA6', $lot('a', true, true))['moisture_state'])->toBe('dry_verified')
        ->and($of('HDPE', $lot('a', proven: true), $lot('b', proven: false))['source_state'])->toBe('failed_or_mixed')
        ->and($of('HDPE', $lot('a', proven: true), $lot('b')))->not->toHaveKey('source_state')
        ->and($of('HDPE', $lot('a', proven: true))['source_state'])->toBe('tests_passed')
        ->and($of('HDPE', $lot('a', again: 1), $lot('b', again: 3))['reuse_passes'])->toBe(3.0);
});

it('tells a pattern only where enough were judged', function (array $bad, ?string $pattern): void {
    $told = told(witness(new RunState, bad: $bad === [] ? [] : array_combine(range(1, count($bad)), $bad)));
    expect($told['defect_repeat'] ?? null)->toBe($pattern);
})->with([
    'nothing' => [[], null],
    'five' => [[true, false, false, false, false], null],
    'first' => [[true, true, false, false, false, false], 'first parts only'],
    'sudden' => [[false, false, false, false, true, true], 'sudden start'],
    'one' => [[false, false, true, false, false, false], 'one-off'],
    'all' => [[true, true, true, true, true, true], null],
    'here and there' => [[false, true, false, true, false, true], null],
    'none' => [[false, false, false, false, false, false], null],
    'again after a good one' => [[true, true, false, false, true, false], null],
]);

it('tells spread, mould life and alarms', function (): void {
    $told = told(witness(
        new RunState,
        masses: [1 => 90.0, 2 => 10.0, 3 => 10.2, 4 => 9.8, 5 => 10.1, 6 => 9.9],
        mould: ['made' => 450, 'life' => 500.0],
        alarms: ['low'],
    ));
    // The last five: mean 10, standard deviation 0.158.
    expect($told['weight_cv_pct'])->toEqualWithDelta(1.58, 0.01)
        ->and($told['mould_shots_ratio'])->toBe(0.9)
        ->and($told['machine_event'])->toBe('heater_fault')
        ->and(
            told(witness(new RunState, masses: [1 => 1.0, 2 => 2.0, 3 => 1.0, 4 => 2.0])),
        )->not->toHaveKey('weight_cv_pct')
        // Too hot is no dead heater, and an instrument that says nothing tells nothing.
        ->and(told(witness(new RunState, alarms: ['high'])))->not->toHaveKey('machine_event')
        ->and(told(witness(new RunState, alarms: ['silent'])))->not->toHaveKey('machine_event');
});

it('tells of a barrel where its melt lay and what it held before', function (
    ?string $before,
    ?string $purged,
    ?string $state,
): void {
    $process = processesAll()->get('injection');
    $procedure = new Procedure($process->procedure());
    $run = new RunState;
    $log = static fn (string $entry, array $values): array => [
        'key' => $entry, 'entry' => $entry, 'at' => 1.0, 'by' => 'Ines', 'values' => $values, 'step' => null,
        'corrected' => 0, 'piece' => null,
    ];
    $run->entries['z'] = $log('zones', ['barrel_c' => 210, 'nozzle_c' => 190]);
    if ($purged !== null) {
        $run->entries['p'] = $log('purge', ['what' => $purged]);
    }
    $pp = (new PolymerLibrary)->get('PP');
    $window = $process->window($pp);
    $told = told(new Witness($procedure, $run, null, ['melt_c' => 205], $pp, polymerBefore: $before), 'injection');
    expect($told['melt_temp_vs_window'])->toEqualWithDelta((210 - $window->min) / ($window->max - $window->min), 1e-3)
        ->and($told['nozzle_temp_offset_k'])->toBe(-15.0)
        ->and($told['purge_state'] ?? null)->toBe($state);
})->with([
    [null, 'smooth', null],
    ['PP', null, 'same_material'],
    ['HDPE', 'smooth', 'purged_clean'],
    ['HDPE', 'old colour', 'not_purged'],
    ['HDPE', 'lumps', null],
]);

it('names signals only that the knowledge has, with values that it takes', function (): void {
    $knowledge = new Knowledge;
    $of = witness(
        pressedRun(),
        'PA6',
        [new UsedLot('a', false, true, false, 2)],
        [1 => 1.0, 2 => 1.0, 3 => 1.0, 4 => 1.0, 5 => 1.1],
        [1 => true, 2 => false, 3 => false, 4 => false, 5 => false, 6 => false],
        'PP',
        ['made' => 3, 'life' => 10.0],
        ['low'],
    );
    $told = told($of);
    expect(count($told))->toBeGreaterThan(9);
    foreach ($told as $signal => $value) {
        expect($knowledge->value($signal, $value))->not->toBeNull();
    }
});

it('knows levers by parameters that remedies move, and settings that its process has', function (string $id): void {
    $process = processesAll()->get($id);
    $names = array_map(static fn (array $f): string => $f[0]->name, Reader::plan($process->settings()));
    expect($process->levers())->not->toBe([]);
    foreach ($process->levers() as $parameter => $lever) {
        expect((new Knowledge)->parameters)->toHaveKey($parameter)
            ->and($lever->setting)->toBeIn($names);
    }
})->with(['compression', 'injection', 'extrusion', 'vacuum_forming']);

it('moves a setting so that the planned number goes where the change wants it', function (): void {
    expect(Lever::same('melt_c', 'melt_c')->setTo(200, 210, 200.0))->toBe(210.0)
        ->and(Lever::factor('heat_min', 'heat_factor')->setTo(12, 15, 1.2))->toBe(1.5)
        ->and(Lever::factor('heat_min', 'heat_factor')->setTo(12, 15, null))->toBe(1.25)
        ->and(Lever::factor('heat_min', 'heat_factor')->setTo(0, 15, 1.0))->toBeNull()
        // 5 % on top of 2000 g is 2100; 3 % more of that is 2163, which is 8.15 % on top.
        ->and(Lever::onTop('charge_mass_g', 'allowance_pct')->setTo(2100, 2163, 5.0))->toBe(8.15);
});

it('gives way to what the shop has seen, cause by cause', function (): void {
    $outcomes = new Outcomes;
    expect($outcomes->prior('short_shot', 'melt_too_cold', 0.2))->toBe(0.2);
    for ($i = 0; $i < 4; $i++) {
        $outcomes->count('short_shot', 'charge_too_small', true);
    }
    $outcomes->count('short_shot', 'melt_too_cold', false);
    // (8 · 0.2 + 4) / 12 and 8 · 0.2 / 9.
    expect($outcomes->prior('short_shot', 'charge_too_small', 0.2))->toEqualWithDelta(5.6 / 12, 1e-12)
        ->and($outcomes->prior('short_shot', 'melt_too_cold', 0.2))->toEqualWithDelta(1.6 / 9, 1e-12)
        ->and($outcomes->of('flash', 'clamp_low'))->toBe([0, 0]);
    $priors = array_column((new Knowledge($outcomes))->causes('short_shot', null), 'prior', 'id');
    $rank = static fn (Knowledge $k): string => (new Rank($k))(Reader::read(RankInput::class, [
        'process' => 'injection', 'defects' => [['id' => 'short_shot']],
    ]))->causes[0]->id;
    expect(array_sum($priors))->toEqualWithDelta(1.0, 1e-12)
        ->and($rank(new Knowledge($outcomes)))->toBe('charge_too_small')
        ->and(
            (new Knowledge(new Outcomes))->causes('short_shot', null),
        )->toEqual((new Knowledge)->causes('short_shot', null));
});

/** @param  list<array{CaseEntry, array<string, mixed>}>  $entries */
function caseOf(array $entries): CaseFile
{
    $file = new CaseFile;
    foreach ($entries as $i => [$kind, $said]) {
        $file->mustTake($kind, $said);
        $file->add($kind, $said, (float) $i);
    }

    return $file;
}

it('judges a change at a time, and knows of two at once only that it cannot know', function (): void {
    $seen = [CaseEntry::Seen, ['defect' => 'short_shot']];
    $soak = [
        CaseEntry::Changed,
        ['parameter' => 'soak_time_min', 'from' => 10, 'to' => 13, 'cause' => 'melt_too_cold'],
    ];
    $charge = [
        CaseEntry::Changed,
        ['parameter' => 'charge_g', 'from' => 40, 'to' => 41.2, 'cause' => 'charge_too_small'],
    ];
    $worked = [CaseEntry::Judged, ['worked' => true]];
    $counts = static function (CaseFile $file, string $cause): array {
        $outcomes = new Outcomes;
        $file->tell($outcomes);

        return $outcomes->of('short_shot', $cause);
    };
    $one = caseOf([$seen, $soak, $worked]);
    expect($counts($one, 'melt_too_cold'))->toBe([1, 0])->and($one->standing())->toBe([]);

    $after = caseOf([$seen, $soak, [CaseEntry::Judged, ['worked' => false]], $charge, $worked]);
    expect($counts($after, 'melt_too_cold'))->toBe([0, 1])->and($counts($after, 'charge_too_small'))->toBe([1, 0]);

    $both = caseOf([$seen, $soak, $charge, $worked]);
    expect($counts($both, 'melt_too_cold'))->toBe([0, 0])
        ->and($counts($both, 'charge_too_small'))->toBe([0, 0])
        ->and(array_map(static fn ($m): bool => $m->unclear, $both->changes))->toBe([true, true])
        ->and(array_column($both->history(), 'worked'))->toBe([true, true]);

    // Judged together, they are taken back together.
    $none = caseOf([$seen, $soak, $charge, $worked, [CaseEntry::Withdrawn, []]]);
    expect($none->standing())->toHaveCount(2);

    $back = caseOf([$seen, $soak, $worked, [CaseEntry::Withdrawn, []]]);
    expect($counts($back, 'melt_too_cold'))->toBe([0, 0])->and($back->standing())->toHaveCount(1);
});

it('lets in what has a place', function (array $entries, string $field): void {
    expect(static fn () => caseOf($entries))->toThrow(function (InputError $error) use ($field): void {
        expect($error->field)->toBe($field);
    });
})->with([
    'judged before a change' => [[[CaseEntry::Judged, ['worked' => true]]], 'worked'],
    'taken back before it was judged' => [[[CaseEntry::Withdrawn, []]], 'kind'],
    'a change of nothing' => [[[CaseEntry::Changed, []]], 'parameter'],
    'after the end' => [
        [[CaseEntry::Closed, []], [CaseEntry::Answered, ['question' => 'a.0', 'answer' => 'yes']]],
        'kind',
    ],
    'six defects' => [
        array_map(static fn (string $d): array => [CaseEntry::Seen, ['defect' => $d]], range('a', 'f')),
        'defect',
    ],
]);

it('has three pieces judge a change, and one bad one is enough', function (array $bad, ?bool $says): void {
    expect(CaseFile::saysWorked($bad))->toBe($says);
})->with([
    [[], null], [[false, false], null], [[false, false, false], true], [[true], false], [[false, false, true], false],
    [[false, false, false, true], true],
]);

it('splits a number where the evidence splits it', function (): void {
    $knowledge = new Knowledge;
    $bands = $knowledge->bands(['short_shot'], null, 'pressure_vs_ref');
    expect(array_map(static fn ($b): string => $b->says, $bands))->toBe(
        ['under 0.85', '0.85 to 1.1', '1.1 to 1.15', 'over 1.15'],
    )
        ->and($bands[0]->value)->toBeLessThan(0.85)
        ->and($bands[2]->value)->toBe(1.125)
        ->and($bands[3]->value)->toBeGreaterThan(1.15)
        ->and($knowledge->bands(['short_shot'], null, 'full_sign'))->toBe([])
        ->and($knowledge->bands(['short_shot'], null, 'no_such'))->toBe([]);
});

it('does not ask again for what nobody can read', function (): void {
    $ask = static fn (array $unreadable): ?string => (new Rank)(Reader::read(RankInput::class, [
        'process' => 'injection', 'defects' => [['id' => 'short_shot']], 'unreadable' => $unreadable,
    ]))->next_question?->id;
    $asked = [];
    for ($i = 0; $i < 80 && ($next = $ask($asked)) !== null && ! str_contains($next, '.'); $i++) {
        expect($next)->not->toBeIn($asked);
        $asked[] = $next;
    }
    expect(count($asked))->toBeGreaterThan(2);
});

function lessonOf(RunState $state, array $settings = ['heat_factor' => 1.1, 'allowance_pct' => 5.0]): ?Lesson
{
    return Lessons::of(processesAll()->get('compression'), pressingWay(), $state, PRESSED, $settings);
}

it('learns from a good sheet that was heated longer than planned', function (): void {
    $lesson = lessonOf(pressedRun(heat: 16.0));
    expect($lesson->setting)->toBe('heat_factor')
        ->and($lesson->was)->toBe(1.1)
        ->and($lesson->becomes)->toEqualWithDelta(1.1 * 16 / 12.8, 1e-3)
        ->and($lesson->says)->toBe('Heating: 3.2 min longer than planned, 16 min instead of 12.8, and it came good.');
});

it('learns from what said most, and in which direction', function (): void {
    expect(lessonOf(pressedRun(cool: 4.8))->says)->toContain('shorter')
        ->and(lessonOf(pressedRun(mass: 2100.0))->setting)->toBe('allowance_pct')
        ->and(lessonOf(pressedRun(mass: 2100.0))->becomes)->toBeLessThan(5.0)
        ->and(lessonOf(pressedRun(mass: 2100.0, heat: 16.0))->setting)->toBe('heat_factor');
});

it('learns nothing from scrap, from what went as planned, and from a long coffee', function (RunState $state): void {
    expect(lessonOf($state))->toBeNull();
})->with([
    'as planned' => fn () => pressedRun(),
    'scrap' => fn () => pressedRun(heat: 16.0, verdict: 'scrap'),
    'a minute of hands' => fn () => pressedRun(heat: 13.2),
    'called away' => fn () => pressedRun(cool: 40.0),
    'not begun' => fn () => new RunState,
]);
