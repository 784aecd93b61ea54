<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\OwnWay;
use Dithermic\Core\Run\PassAnyway;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Opis\JsonSchema\Validator;

/** @return array<array-key, mixed> */
function shippedWay(string $file = 'Compression/procedure'): array
{
    return Record::file(dirname(__DIR__)."/src/Process/{$file}.json")->of;
}

/** @return array{string, string} the field and the reason that changes are refused by */
function refusedWay(array $changes, string $file = 'Compression/procedure'): array
{
    try {
        OwnWay::over(shippedWay($file), $changes);
    } catch (InputError $error) {
        return [$error->field, $error->getMessage()];
    }

    return ['', 'was not refused'];
}

const OWN_CHANGES = [
    [
        'step' => 'weigh', 'do' => 'Weigh it on the small scale.', 'typical_min' => 5, 'people' => 2, 'strict' => true,
        'checks' => ['Pan is dry', 'Scale stands level'], 'cautions' => ['Flakes on the floor are slippery.'],
    ],
    ['after' => 'weigh', 'title' => 'Look through it', 'do' => 'Look for metal.', 'checks' => ['No metal']],
    [
        'after' => 'weigh',
        'title' => 'Warm the plates',
        'do' => 'Lay them on the press.',
        'place' => 'hot',
        'typical_min' => 2,
    ],
];

it('is the shipped procedure where nothing is changed', function (string $file): void {
    expect(OwnWay::over(shippedWay($file), []))->toEqual(shippedWay($file));
})->with([
    'Compression/procedure', 'Compression/series', 'Injection/procedure', 'Extrusion/procedure',
    'VacuumForming/procedure',
]);

it('goes with the usual minutes of the shop before those of a plan', function (): void {
    $plan = ['half_swap_min' => 0.5];
    $mount = static fn (array $changes): float => ($way = new Procedure(OwnWay::over(
        shippedWay('Extrusion/procedure'),
        $changes,
    )))
        ->minutes($way->step('mount'), $plan);
    expect($mount([]))->toBe(0.5)
        ->and($mount([['step' => 'mount', 'title' => 'Hang it']]))->toBe(0.5)
        ->and($mount([['step' => 'mount', 'typical_min' => 4]]))->toBe(4.0);
});

it('changes words, minutes and hands of a step, and adds to what it asks', function (): void {
    $shipped = new Procedure(shippedWay());
    $way = new Procedure(OwnWay::over(shippedWay(), OWN_CHANGES));
    $weigh = $way->step('weigh');
    expect($weigh->typicalMin)->toBe(5.0)
        ->and($weigh->people)->toBe(2)
        ->and($weigh->passAnyway)->toBe(PassAnyway::No)
        ->and($weigh->title)->toBe($shipped->step('weigh')->title)
        ->and($weigh->entries)->toBe($shipped->step('weigh')->entries)
        ->and(array_values($weigh->confirm))->toBe(['Pan is dry', 'Scale stands level'])
        // What was waited for before is waited for still, with what was added behind it.
        ->and(
            array_slice($weigh->gates, 0, count($shipped->step('weigh')->gates)),
        )->toEqual($shipped->step('weigh')->gates)
        ->and($weigh->gates[count($weigh->gates) - 1]->confirmed)->toBe(array_keys($weigh->confirm));
    $body = array_column($way->body['steps'], null, 'id')['weigh'];
    expect($body['do'])->toBe('Weigh it on the small scale.')
        ->and($body['cautions'])->toBe(['Flakes on the floor are slippery.']);
});

it('keeps every shipped step in its order, with own ones after the one they follow', function (): void {
    $way = new Procedure(OwnWay::over(shippedWay(), OWN_CHANGES));
    $ids = array_map(static fn ($s): string => $s->id, $way->steps());
    $shipped = array_column(shippedWay()['steps'], 'id');
    expect(
        array_values(array_filter($ids, static fn (string $id): bool => in_array($id, $shipped, true))),
    )->toBe($shipped);
    $titles = array_map(static fn ($s): string => $s->title, $way->steps());
    $at = array_search('Weigh in', $titles, true);
    expect(array_slice($titles, $at, 4))->toBe(['Weigh in', 'Look through it', 'Warm the plates', 'Spread and corners'])
        ->and($way->after($way->step('weigh'))?->title)->toBe('Look through it')
        ->and($way->steps()[$at + 2]->place)->toBe('hot')
        ->and($way->steps()[$at + 1]->place)->toBe('bench');
});

it('fits the schema of procedures in every process, with a step of the own after every step', function (string $file): void {
    $changes = [];
    foreach (shippedWay($file)['steps'] as $i => $step) {
        $changes[] = [
            'after' => $step['id'],
            'title' => 'Own '.chr(97 + $i),
            'do' => 'Look.',
            'hands' => 'one',
            'checks' => ['Seen'],
        ];
        $changes[] = ['step' => $step['id'], 'cautions' => ['Mind it.'], 'strict' => true];
    }
    $body = OwnWay::over(shippedWay($file), $changes) + ['own' => 1];
    $schema = (string) file_get_contents(dirname(__DIR__).'/data/procedure.schema.json');
    expect((new Validator)->validate(json_decode((string) json_encode($body)), $schema)->isValid())->toBeTrue()
        ->and((new Procedure($body))->steps())->toHaveCount(2 * count(shippedWay($file)['steps']));
})->with([
    'Compression/procedure', 'Compression/series', 'Injection/procedure', 'Extrusion/procedure',
    'VacuumForming/procedure',
]);

it('is waited for in a run: an own step holds until what it asks is confirmed', function (): void {
    $way = new Procedure(OwnWay::over(shippedWay(), [
        ['after' => 'preheat', 'title' => 'Look through it', 'do' => 'Look for metal.', 'checks' => ['No metal']],
    ]));
    $own = $way->after($way->step('preheat'));
    $machine = new RunMachine($way, ['platen_ready_c' => 170.0]);
    $events = [
        new Event('a', EventType::Started, 0.0, 'Ines'),
        new Event(
            'b',
            EventType::Logged,
            1.0,
            'Ines',
            ['entry' => 'platen', 'values' => ['top_c' => 175, 'low_c' => 174]],
        ),
        new Event('c', EventType::StepDone, 2.0, 'Ines', ['step' => 'preheat']),
    ];
    $state = $machine->fold($events);
    expect($state->step)->toBe($own->id)->and($state->status)->toBe(RunState::RUNNING);
    $done = new Event('d', EventType::StepDone, 3.0, 'Ines', ['step' => $own->id]);
    expect($machine->refuses($state, $done)?->getMessage())->toContain('no metal');
    $confirm = new Event(
        'e',
        EventType::Confirmed,
        3.0,
        'Ines',
        ['step' => $own->id, 'item' => array_key_first($own->confirm)],
    );
    expect($machine->refuses($state, $confirm))->toBeNull();
    $state = $machine->fold([...$events, $confirm, $done]);
    expect($state->step)->toBe('plates');
});

it('refuses what would take something away, or does not belong there', function (
    array $changes,
    string $field,
    string $says,
): void {
    [$at, $why] = refusedWay($changes);
    expect($at)->toBe($field)->and($why)->toContain($says);
})->with([
    'no list' => [['step' => 'weigh'], 'changes', 'must be a list'],
    'neither' => [[['do' => 'x']], 'changes.0', 'either'],
    'both' => [[['step' => 'weigh', 'after' => 'weigh']], 'changes.0', 'either'],
    'not an object' => [['weigh'], 'changes.0', 'either'],
    'no such step' => [[['step' => 'wiegh', 'do' => 'x']], 'changes.0.step', 'is no step'],
    'a step that is a list' => [[['step' => ['weigh'], 'do' => 'x']], 'changes.0.step', 'is no step'],
    'after nothing known' => [[['after' => 'nowhere', 'title' => 'x', 'do' => 'y']], 'changes.0.after', 'is no step'],
    'twice' => [[['step' => 'weigh', 'do' => 'x'], ['step' => 'weigh', 'why' => 'y']], 'changes.1.step', 'twice'],
    'a gate' => [[['step' => 'weigh', 'gate' => []]], 'changes.0.gate', 'cannot be changed'],
    'a place of a shipped one' => [[['step' => 'weigh', 'place' => 'hot']], 'changes.0.place', 'cannot be changed'],
    'fewer people' => [[['step' => 'slide_in', 'people' => 1]], 'changes.0.people', '2 at least'],
    'half a person' => [[['step' => 'weigh', 'people' => 1.5]], 'changes.0.people', 'whole number'],
    'nobody' => [
        [['after' => 'weigh', 'title' => 'x', 'do' => 'y', 'people' => 0]],
        'changes.0.people',
        'at least one',
    ],
    'minutes of words' => [[['step' => 'weigh', 'typical_min' => '3']], 'changes.0.typical_min', 'minutes'],
    'no minutes' => [[['step' => 'weigh', 'typical_min' => 0]], 'changes.0.typical_min', 'minutes'],
    'minutes without end' => [[['step' => 'weigh', 'typical_min' => INF]], 'changes.0.typical_min', 'minutes'],
    'not strict' => [[['step' => 'weigh', 'strict' => 'no']], 'changes.0.strict', 'true or false'],
    'nothing to do' => [[['after' => 'weigh', 'title' => 'x']], 'changes.0.do', 'is missing'],
    'no name' => [[['after' => 'weigh', 'title' => " \u{200B} ", 'do' => 'y']], 'changes.0.title', 'must be words'],
    'a place that is not here' => [
        [['after' => 'weigh', 'title' => 'x', 'do' => 'y', 'place' => 'cellar']],
        'changes.0.place',
        'one of: hot',
    ],
    'hands' => [[['after' => 'weigh', 'title' => 'x', 'do' => 'y', 'hands' => 'three']], 'changes.0.hands', 'one of'],
    'asked with both hands full' => [
        [['step' => 'slide_in', 'checks' => ['Seen']]],
        'changes.0.checks',
        'no hand is free',
    ],
    'the same twice' => [[['step' => 'weigh', 'checks' => ['Seen', 'seen']]], 'changes.0.checks.1', 'the same'],
    'the same name twice' => [
        [['after' => 'weigh', 'title' => 'x', 'do' => 'y'], ['after' => 'spread', 'title' => 'X', 'do' => 'y']],
        'changes.1.title', 'another step',
    ],
    'too long' => [[['step' => 'weigh', 'do' => str_repeat('ä', 301)]], 'changes.0.do', '300 letters'],
    'too many' => [[['step' => 'weigh', 'checks' => range('a', 'g')]], 'changes.0.checks', '6 at most'],
    'checks that are none' => [[['step' => 'weigh', 'checks' => [['x']]]], 'changes.0.checks.0', 'must be words'],
]);

it('makes an id of letters of any name, and another for another', function (): void {
    $ids = [];
    foreach (['Ölen', 'Ölén', '磨く', '拭く', 'A 1', 'A 2', str_repeat('long ', 12)] as $title) {
        $way = new Procedure(OwnWay::over(shippedWay(), [['after' => 'weigh', 'title' => $title, 'do' => 'x']]));
        $ids[] = $way->after($way->step('weigh'))->id;
    }
    expect($ids)->each->toMatch('/^own_[a-z_]{1,36}$/')->and(array_unique($ids))->toHaveCount(count($ids));
});

it('says what is otherwise, step by step', function (): void {
    expect(OwnWay::says(shippedWay(), OWN_CHANGES))->toBe([
        'Weigh in: do: Weigh it on the small scale.; usually 5 min; people: 2; never passed without what it asks for; '
            .'caution: Flakes on the floor are slippery.; to confirm: Pan is dry; to confirm: Scale stands level',
        'Weigh in: a step "Look through it" after it: Look for metal.; to confirm: No metal',
        'Weigh in: a step "Warm the plates" after it: Lay them on the press.; usually 2 min',
    ])->and(OwnWay::says(shippedWay(), [['step' => 'gone', 'do' => 'x']]))->toBe(['gone: do: x']);
});

it('doubts a step that lets what is hot wait, and none at the bench', function (): void {
    $own = static fn (string $after): array => [['after' => $after, 'title' => 'Chat', 'do' => 'x']];
    $hot = array_values(array_filter(
        shippedWay()['steps'],
        static fn (array $s): bool => $s['place'] === 'hot' && $s['stage'] === 'heat',
    ));
    $last = end($hot)['id'];
    expect(OwnWay::doubts(shippedWay(), $own('weigh')))->toBe([])
        ->and(OwnWay::doubts(shippedWay(), [['step' => 'weigh', 'do' => 'x']]))->toBe([])
        ->and(implode(OwnWay::doubts(shippedWay(), $own('slide_in'))))->toContain('while a timer runs')
        ->and(implode(OwnWay::doubts(shippedWay(), $own($last))))->toContain('waits and cools without load')
        ->and(implode(OwnWay::doubts(shippedWay(), $own('heat'))))->toContain('heats on');
});
