<?php

declare(strict_types=1);

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Safety\Scale;

final readonly class ReadPart
{
    public function __construct(
        #[Field('of one', 'g', above: 0, max: 10)] public float $mass_g,
        public ?string $note = null,
    ) {
    }
}

final readonly class ReadFlat implements Checked
{
    public function __construct(#[Field('', '', min: -1, below: 1)] public float $share = 0.5)
    {
    }

    public function check(): void
    {
        if ($this->share === 0.25) {
            throw new InputError('share', 'is a quarter');
        }
    }
}

final readonly class ReadAll
{
    public function __construct(
        #[Flatten] public ReadFlat $flat,
        public ReadPart $part,
        public Scale $scale,
        #[Field('how many')] public int $count,
        public bool $hot = false,
        #[Field('', '', of: ReadPart::class, atLeast: 1, atMost: 2)] public array $parts = [],
        #[Field('', '', of: 'number')] public array $numbers = [],
        #[Field('', '', of: 'string')] public array $words = [],
        #[Field('', '', of: 'counts')] public array $by_name = [],
        #[Field('', '', of: 'named')] public array $said = [],
        public mixed $any = null,
        public ?float $perhaps = null,
    ) {
    }
}

const SOUND = ['part' => ['mass_g' => 2], 'scale' => 'production', 'count' => 3];

it('reads what is sound into what it is, with what was left out as it usually is', function (): void {
    $all = Reader::read(ReadAll::class, [
        ...SOUND, 'share' => -1, 'hot' => true, 'parts' => [['mass_g' => 10]], 'numbers' => [1, 2.5], 'words' => ['a'],
        'by_name' => ['sheet' => 2.0], 'said' => ['x' => [1]], 'any' => [1], 'stranger' => 'is passed over',
    ]);
    expect($all->flat->share)->toBe(-1.0)
        ->and($all->part->mass_g)->toBe(2.0)
        ->and($all->part->note)->toBeNull()
        ->and($all->scale)->toBe(Scale::Production)
        ->and($all->count)->toBe(3)
        ->and($all->hot)->toBeTrue()
        ->and($all->parts[0])->toBeInstanceOf(ReadPart::class)
        ->and($all->numbers)->toBe([1.0, 2.5])
        ->and($all->by_name)->toBe(['sheet' => 2])
        ->and($all->said)->toBe(['x' => [1]])
        ->and($all->perhaps)->toBeNull()
        ->and(Reader::read(ReadFlat::class, [])->share)->toBe(0.5);
});

it('names the field and says what it takes', function (array $over, string $field, string $says): void {
    try {
        Reader::read(ReadAll::class, $over + SOUND);
    } catch (InputError $error) {
        expect($error->field)->toBe($field)->and($error->getMessage())->toBe($says);

        return;
    }
    test()->fail('it was read');
})->with([
    'nothing of what must be' => [['part' => null], 'part', 'is required'],
    'nothing, with what it is' => [['count' => null], 'count', 'is required: how many'],
    'a list for a thing' => [['part' => [1]], 'part', 'must be an object with named fields'],
    'a word for a thing' => [['part' => 'x'], 'part', 'must be an object with named fields'],
    'nothing in a thing' => [['part' => []], 'part.mass_g', 'is required: of one'],
    'a word for a number' => [['part' => ['mass_g' => '2']], 'part.mass_g', 'must be a number, not text'],
    'true for a number' => [['part' => ['mass_g' => true]], 'part.mass_g', 'must be a finite number'],
    'no number' => [['part' => ['mass_g' => NAN]], 'part.mass_g', 'must be a finite number'],
    'without end' => [['perhaps' => INF], 'perhaps', 'must be a finite number'],
    'not above' => [['part' => ['mass_g' => 0]], 'part.mass_g', 'must be above 0 g'],
    'hardly above' => [
        ['part' => ['mass_g' => 9e-10]],
        'part.mass_g',
        'is too small to mean anything: at least 1e-9 g',
    ],
    'over' => [['part' => ['mass_g' => 10.01]], 'part.mass_g', 'must be at most 10 g'],
    'under' => [['share' => -1.01], 'share', 'must be at least -1'],
    'not below' => [['share' => 1], 'share', 'must be below 1'],
    'what does not go together' => [['share' => 0.25], 'share', 'is a quarter'],
    'a part of a count' => [['count' => 2.5], 'count', 'must be a whole number'],
    'more than can be counted' => [['count' => 1.1e15], 'count', 'must be a whole number'],
    'one for true' => [['hot' => 1], 'hot', 'must be true or false'],
    'none of the words' => [
        ['scale' => 'huge'],
        'scale',
        'must be one of: '.implode(', ', array_column(Scale::cases(), 'value')),
    ],
    'a list for a word' => [['part' => ['mass_g' => 2, 'note' => ['x']]], 'part.note', 'must be text'],
    'a word without end' => [
        ['part' => ['mass_g' => 2, 'note' => str_repeat('x', 4001)]],
        'part.note',
        'must be text of at most 4000 bytes',
    ],
    'a thing for a list' => [['parts' => ['mass_g' => 2]], 'parts', 'must be a list'],
    'too few' => [['parts' => []], 'parts', 'needs at least 1'],
    'too many' => [['parts' => [['mass_g' => 1], ['mass_g' => 1], ['mass_g' => 1]]], 'parts', 'takes at most 2'],
    'the second is wrong' => [
        ['parts' => [['mass_g' => 1], ['mass_g' => -1]]],
        'parts.1.mass_g',
        'must be above 0 g',
    ],
    'a word among numbers' => [['numbers' => [1, '2']], 'numbers.1', 'must be a number, not text'],
    'a number among words' => [['words' => ['a', 2]], 'words.1', 'must be text'],
    'a long one among words' => [
        ['words' => [str_repeat('x', 4001)]],
        'words.0',
        'must be text of at most 4000 bytes',
    ],
    'counts in a list' => [['by_name' => [1, 2]], 'by_name', 'must be an object of counts by name'],
    'counts of a word' => [['by_name' => 'x'], 'by_name', 'must be an object of counts by name'],
    'none counted' => [['by_name' => ['sheet' => 0]], 'by_name.sheet', 'must be at least 1'],
    'half of one counted' => [['by_name' => ['sheet' => 1.5]], 'by_name.sheet', 'must be a whole number'],
    'said in a list' => [['said' => [1]], 'said', 'must be an object with named fields'],
    'more than anybody says' => [
        ['said' => array_combine(array_map(static fn (int $i): string => "k{$i}", range(1, 201)), range(1, 201))],
        'said',
        'takes at most 200',
    ],
]);

it('takes the ends of what it takes', function (array $over): void {
    expect(Reader::read(ReadAll::class, $over + SOUND))->toBeInstanceOf(ReadAll::class);
})->with([
    'the least above nothing' => [['part' => ['mass_g' => 1e-9]]],
    'the most' => [['part' => ['mass_g' => 10]]],
    'the longest' => [['part' => ['mass_g' => 2, 'note' => str_repeat('x', 4000)]]],
    'the largest count' => [['count' => 1e15]],
    'nothing said' => [['said' => [], 'by_name' => []]],
]);

it('is asked for an object, and lets nobody give facts that a thing has not', function (): void {
    foreach ([null, 'x', [1, 2], 5] as $json) {
        expect(static fn () => Reader::read(ReadFlat::class, $json))
            ->toThrow(InputError::class, 'must be an object with named fields');
    }
    Reader::mustFit(ReadPart::class, ['mass_g' => 2, 'note' => null], 'is none of its facts');
    expect(static fn () => Reader::mustFit(ReadPart::class, ['mass_g' => 2, 'colour' => null], 'is none of its facts'))
        ->toThrow(static fn (InputError $e) => expect([$e->field, $e->getMessage()])
            ->toBe(['colour', 'is none of its facts']));
    expect(static fn () => Reader::mustFit(ReadPart::class, ['mass_g' => 11], ''))->toThrow(InputError::class)
        ->and(Reader::known(ReadAll::class, ['share' => 1, 'count' => 2, 'colour' => 3]))
        ->toBe(['share' => 1, 'count' => 2]);
});
