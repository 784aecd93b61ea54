<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Calculator\Schema;
use Dithermic\Core\Diagnosis\Knowledge;
use Dithermic\Core\Heat\Press\PressCycleInput;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Run\Hold;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\Reminder;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;

function problems(mixed $data, string $schema): array
{
    $result = (new Validator)->validate($data, $schema);

    return $result->error() === null ? [] : (new ErrorFormatter)->format($result->error());
}

it('ships procedures that fit their schema and refer to nothing that is not there', function (string $file): void {
    $text = (string) file_get_contents($file);
    expect(problems(
        json_decode($text),
        (string) file_get_contents(__DIR__.'/../data/procedure.schema.json'),
    ))->toBe([]);
    $p = new Procedure(json_decode($text, true));
    $stages = array_column($p->body['stages'], 'id');
    foreach ($p->steps() as $step) {
        expect($step->stage)->toBeIn($stages)->and($p->place($step->place))->not->toBeNull();
        foreach ($step->entries as $entry) {
            expect($p->entry($entry))->not->toBeNull();
        }
        $shown = array_column($p->body['steps'], 'shows', 'id')[$step->id] ?? [];
        foreach ([
            ...$shown,
            ...array_map(static fn (Reminder $r): string => $r->everyMin, $step->reminders),
        ] as $number) {
            expect($number)->toBeIn($p->body['plan']);
        }
        $step->planMin === null ?: expect($step->planMin)->toBeIn($p->body['plan']);
        foreach (array_filter([$step->starts, $step->timer]) as $timer) {
            expect($p->timer($timer)?->minutes)->toBeIn($p->body['plan']);
        }
        foreach ($step->gates as $gate) {
            $gate->entry === null ?: expect($gate->entry)->toBeIn($step->entries);
            expect(array_diff($gate->confirmed, array_keys($step->confirm)))->toBe([]);
            foreach (array_filter([$gate->atLeast, $gate->atMost, $gate->near, $gate->tolerance]) as $number) {
                expect($number)->toBeIn($p->body['plan']);
            }
        }
        // Whose hands are both full is asked for nothing.
        $step->hands !== Hold::None ?: expect([$step->entries, $step->confirm, $step->gates])->toBe([[], [], []]);
    }
    foreach (array_column($p->body['entries'], 'delays') as $delays) {
        expect($p->timer($delays['timer']))->not->toBeNull()->and($delays['minutes'])->toBeIn($p->body['plan']);
    }
    foreach ($p->places() as $place) {
        ! is_string($place->holds) ?: expect($place->holds)->toBeIn($p->body['plan']);
    }
    $carrier = $p->carrier();
    if ($carrier !== null) {
        expect($carrier->plan)->toBeIn($p->body['plan']);
        expect(array_diff($carrier->places, array_column($p->places(), 'id')))->toBe([]);
    }
})->with(glob(__DIR__.'/../src/Process/*/*.json') ?: []);

it('ships knowledge that fits its schema', function (string $name): void {
    $data = dirname(__DIR__).'/data';
    expect(problems(
        json_decode((string) file_get_contents("{$data}/{$name}.json")),
        (string) file_get_contents("{$data}/{$name}.schema.json"),
    ))->toBe([]);
})->with(['defects', 'identification', 'flow']);

it('ships no knowledge that refers to nothing', function (): void {
    $known = new Knowledge;
    foreach ($known->defects as $defect) {
        expect(array_diff($defect['cautions'] ?? [], array_keys($known->cautions)))->toBe([]);
        foreach ($defect['causes'] as $cause) {
            foreach ($cause['evidence'] as $line) {
                expect($known->signals)->toHaveKey($line['signal']);
            }
            foreach ($cause['remedies'] as $remedy) {
                expect(array_diff($remedy['cautions'] ?? [], array_keys($known->cautions)))->toBe([]);
            }
        }
        expect(array_sum(array_column($defect['causes'], 'prior')))->toEqualWithDelta(1, 0.02, $defect['id']);
    }
    $tests = json_decode((string) file_get_contents(dirname(__DIR__).'/data/identification.json'), true)['tests'];
    foreach ($tests as $test) {
        foreach ($test['likelihood'] as $code => $row) {
            expect(array_diff(array_keys($row), $test['results']))->toBe([], "{$test['id']} {$code}")
                ->and(array_sum($row))->toEqualWithDelta(1, 0.01, "{$test['id']} {$code}");
        }
    }
});

it('ships a polymer library that fits its schema', function (): void {
    expect(problems(
        json_decode((string) file_get_contents(__DIR__.'/../data/polymers.json')),
        (string) file_get_contents(__DIR__.'/../data/polymers.schema.json'),
    ))->toBe([]);
    $library = new PolymerLibrary;
    expect($library->all())->toHaveCount(23);
    foreach ($library->all() as $polymer) {
        $window = $polymer->process('compression')->range('platen_c');
        if ($window !== null) {
            expect($window->max)->toBeLessThan($polymer->ceiling());
        }
    }
});

it('lays a shop\'s own value over the library and says so', function (): void {
    $library = new PolymerLibrary(['HDPE' => ['demould_c.typical' => 60.0, 'degradation_c.ceiling' => 240.0]]);
    expect($library->get('HDPE')->property('demould_c'))->toBe(60.0)
        ->and($library->get('HDPE')->ceiling())
        ->toBe(240.0)
        ->and($library->get('HDPE')->origin('demould_c'))
        ->toBe('your shop\'s value')
        ->and($library->get('PP')->origin('demould_c'))
        ->toBe('polymer library');
});

it('describes every calculation by JSON Schema that its own cases fit', function (): void {
    $registry = new Registry;
    foreach (array_keys($registry->list()) as $name) {
        $schema = $registry->schema($name);
        expect($schema['purpose'])->not->toBeEmpty()
            ->and($schema['input']['properties'])->not
            ->toBeEmpty()
            ->and($schema['result']['properties'])
            ->toHaveKeys(['explanation', 'warnings']);
        $file = __DIR__."/cases/{$name}.json";
        foreach (is_file($file) ? json_decode((string) file_get_contents($file)) : [] as $case) {
            if (! isset($case->error_field)) {
                $answer = json_decode(
                    (string) json_encode($registry->run($name, json_decode((string) json_encode($case->input), true))),
                );
                expect(problems(
                    $case->input,
                    (string) json_encode($schema['input']),
                ))->toBe([], "{$name}: {$case->name}")
                    ->and(problems(
                        $answer,
                        (string) json_encode($schema['result']),
                    ))->toBe([], "{$name}: {$case->name}");
            }
        }
    }
});

it('flattens shared fields into the level of their owner', function (): void {
    expect(Schema::of(PressCycleInput::class)['properties'])->toHaveKeys(['polymer', 'tm_c', 'thickness_mm', 'press']);
});

it('puts every calculation on the bench with an input that works without a fault', function (): void {
    $registry = new Registry;
    expect(array_column($registry->bench(), 'name'))->toEqualCanonicalizing(array_keys($registry->list()));
    foreach ($registry->bench() as $entry) {
        $answer = $registry->run($entry['name'], $entry['example']);
        expect($answer->explanation)->not->toBeEmpty($entry['name'])
            ->and($entry['title'])->not
            ->toBeEmpty()
            ->and($entry['words'])->not
            ->toBeEmpty();
    }
});
