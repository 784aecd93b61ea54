<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Process\Injection\InjectorFacts;
use Dithermic\Core\Process\SetMarks;

it('says a set-point in the marks of the machine', function (string $marks, float $c, string $says): void {
    expect(SetMarks::of($marks)->at($c))->toBe($says);
})->with([
    'on a mark' => ['dial 4 = 190, dial 5 = 205', 190, 'dial 4'],
    'as near as anybody sets it' => ['dial 4 = 190, dial 5 = 205', 204.2, 'dial 5'],
    'between two, even' => ['dial 4 = 190, dial 5 = 205', 196, 'dial 4.4'],
    'in any order' => ['dial 5=205; dial 3=170; dial 4=190', 180, 'dial 3.5'],
    'between two that have no number' => ['low = 150, high = 210', 180, 'between low and high'],
    'between elements' => [
        '2 of 6 elements = 320; 4 of 6 elements = 410', 365, 'between 2 of 6 elements and 4 of 6 elements',
    ],
    'colder than any' => ['3 = 170, 4 = 190', 150, 'under 3'],
    'hotter than any' => ['3 = 170, 4 = 190', 230, 'over 4'],
    'one mark alone' => ['the notch = 200', 200.5, 'the notch'],
]);

it('is between its neighbours, and rises with them', function (): void {
    $marks = SetMarks::of('d 1 = 100, d 2 = 130, d 3 = 180, d 4 = 260');
    $before = 0.0;
    for ($c = 100.0; $c <= 260.0; $c += 3.7) {
        $now = (float) substr($marks->at($c), 2);
        expect($now)->toBeGreaterThanOrEqual($before)->toBeGreaterThanOrEqual(1.0)->toBeLessThanOrEqual(4.0);
        $before = $now;
    }
});

it('refuses what is no mark, where a machine is entered too', function (string $said): void {
    try {
        Reader::read(InjectorFacts::class, ['set_marks' => $said]);
        expect(false)->toBeTrue('it was taken');
    } catch (InputError $error) {
        expect($error->field)->toBe('set_marks');
    }
})->with([
    'nothing' => [''],
    'no degrees' => ['dial 4'],
    'words for degrees' => ['dial 4 = hot'],
    'two for one' => ['dial 4 = 190, dial 5 = 190'],
    'a book' => [str_repeat('dial 4 = 190, ', 40)],
    'a name without end' => [str_repeat('x', 80).' = 190'],
]);
