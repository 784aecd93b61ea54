<?php

declare(strict_types=1);

use Dithermic\Core\Data\Record;

function sample(): Record
{
    return new Record([
        'name' => 'HDPE',
        'density' => 0.955,
        'count' => 3,
        'regrind' => true,
        'window' => ['melt_c' => ['min' => 180, 'typical' => 200, 'max' => 240], 'note' => 'low and long'],
        'hazards' => ['hot', 'sticky'],
        'is' => ['what' => 'smooth'],
        'causes' => [['id' => 'cold', 'prior' => 0.4], ['id' => 'wet']],
        'nothing' => null,
    ]);
}

it('reads what is there by dotted name', function (): void {
    $of = sample();
    expect($of->text('name'))->toBe('HDPE')
        ->and($of->text('window.note'))->toBe('low and long')
        ->and($of->number('count'))->toBe(3.0)
        ->and($of->number('window.melt_c.typical'))->toBe(200.0)
        ->and($of->is('regrind'))->toBeTrue()
        ->and($of->texts('hazards'))->toBe(['hot', 'sticky'])
        ->and($of->wordsBy('is'))->toBe(['what' => 'smooth'])
        ->and($of->at('window.melt_c')->numbers())->toBe(['min' => 180.0, 'typical' => 200.0, 'max' => 240.0])
        ->and($of->each('causes')[1]->text('id'))->toBe('wet')
        ->and(array_keys((new Record(['a' => ['b' => ['c' => 1]]]))->eachBy('a')))->toBe(['b']);
});

it('says nothing of what is not there', function (): void {
    $of = sample();
    expect($of->has('nothing'))->toBeFalse()
        ->and($of->has('window.melt_c.min'))->toBeTrue()
        ->and($of->mayText('nothing'))->toBeNull()
        ->and($of->mayNumber('name.of.nobody'))->toBeNull()
        ->and($of->text('nothing', 'else'))->toBe('else')
        ->and($of->number('nothing', 2.5))->toBe(2.5)
        ->and($of->is('nothing'))->toBeFalse()
        ->and($of->texts('nothing'))->toBe([])
        ->and($of->at('nothing')->of)->toBe([])
        ->and($of->range('nothing'))->toBeNull()
        ->and($of->range('density'))->toBeNull();
});

it('reads a range whole', function (): void {
    $melt = sample()->range('window.melt_c');
    expect([$melt->min, $melt->typical, $melt->max])->toBe([180.0, 200.0, 240.0]);
});

it('names the place that is wrong, from the root', function (Closure $reads, string $says): void {
    expect(static fn () => $reads(sample()))->toThrow(RuntimeException::class, $says);
})->with([
    'no text' => [static fn (Record $of) => $of->text('density'), 'density must be text'],
    'no number' => [static fn (Record $of) => $of->number('window.note'), 'window.note must be a number'],
    'not there' => [static fn (Record $of) => $of->text('colour'), 'colour is missing'],
    'deeper' => [
        static fn (Record $of) => $of->at('window')->at('melt_c')->text('min'), 'window.melt_c.min must be text',
    ],
    'in a list' => [static fn (Record $of) => $of->each('causes')[1]->number('prior'), 'causes.1.prior is missing'],
    'no list' => [static fn (Record $of) => $of->texts('name'), 'name must be a list or an object'],
    'a list of other things' => [static fn (Record $of) => $of->texts('causes'), 'causes.0 must be text'],
    'no objects' => [static fn (Record $of) => $of->eachBy('window.melt_c'), 'window.melt_c.min must be an object'],
    'half a range' => [
        static fn (Record $of) => (new Record(['melt_c' => ['min' => 1, 'max' => 2]]))->range('melt_c'),
        'melt_c.typical is missing',
    ],
]);

it('reads a file, or says which it could not', function (): void {
    expect(Record::file(dirname(__DIR__).'/data/flow.json')->has('polymers.HDPE.exponent'))->toBeTrue();
    expect(static fn () => Record::file('/nowhere/flow.json'))->toThrow(
        RuntimeException::class,
        'flow.json is not readable',
    );
    expect(static fn () => Record::file(__FILE__))->toThrow(RuntimeException::class, 'RecordTest.php is not readable');
});
