<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Shop\Models\BoughtPart;
use App\Shop\Models\Finishing;
use App\Shop\Models\Product;
use App\Support\AllOrNone;
use App\Support\Csv;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Finishing\Operation;

/**
 * What is done to products after their run, out of a CSV file: a row for each operation, one more for each further part
 * that it takes. What a file says of a product is all that is done to it, in the order of the rows; a part that is not
 * here is entered.
 *
 * @phpstan-import-type Step from Finishing
 */
final readonly class ImportFinishing
{
    public const NEEDED = ['product', 'operation', 'minutes'];

    public const ALSO = ['hands', 'part', 'count', 'reorder_at', 'order_to', 'comes_days'];

    /** of a part's name */
    private const LONGEST = 80;

    /** columns that the core calls otherwise */
    private const COLUMNS = [
        'title' => 'operation',
        'people' => 'hands',
        'uses.0.part' => 'part',
        'uses.0.count' => 'count',
    ];

    public function __construct(
        private AllOrNone $allOrNone,
        private KeepFinishing $keep,
        private KeepParts $parts,
    ) {
    }

    /** @return array{rows: int, errors: list<array{row: int, field: string, message: string}>, would: list<string>} */
    public function __invoke(string $id, User $by, string $text, bool $dry): array
    {
        return ($this->allOrNone)(
            $id,
            $text,
            self::NEEDED,
            'product',
            'operation',
            $dry,
            fn (string $product, array $rows): array => $this->product($product, $rows, $by),
        );
    }

    /**
     * @param  array<int, array<string, string>>  $rows
     * @return list<string>
     *
     * @throws InputError
     */
    private function product(string $name, array $rows, User $by): array
    {
        $product = Product::query()->where('name', $name)->first()
            ?? throw new InputError('product', "there is no product \"{$name}\"");
        $says = [];
        /** @var array<string, Step> $steps by title, in the order of the rows */
        $steps = [];
        foreach ($rows as $row) {
            $read = self::operation($row);
            $steps[$read->title] ??= [
                'title' => $read->title, 'minutes' => $read->minutes, 'people' => $read->people, 'uses' => [],
            ];
            foreach ($read->uses as $use) {
                [$part, $entered] = $this->part($use->part, $row);
                $steps[$read->title]['uses'][] = ['part_id' => $part->id, 'count' => $use->count];
                array_push($says, ...$entered);
            }
        }
        $steps = array_values($steps);
        $newest = Finishing::query()->where('product_id', $product->id)->orderByDesc('id')->first();
        // As numbers are kept, 2 and 2.0 are one.
        if ($newest !== null && $newest->operations == $steps) {
            return [...$says, "{$name}: as it was"];
        }
        $this->keep->say($product, $newest->id ?? 0, $steps, 0, $by);

        return [...$says, "{$name}: ".implode(', ', array_column($steps, 'title'))];
    }

    /**
     * A row as the core reads an operation, its faults by the names of the columns.
     *
     * @param  array<string, string>  $row
     *
     * @throws InputError
     */
    private static function operation(array $row): Operation
    {
        $part = trim($row['part'] ?? '');
        if (mb_strlen($part) > self::LONGEST) {
            throw new InputError('part', 'must be of at most '.self::LONGEST.' letters');
        }
        $uses = ['part' => $part, 'count' => self::number($row['count'] ?? '', 1)];
        try {
            return Reader::read(Operation::class, [
                'title' => trim($row['operation']),
                'minutes' => self::number($row['minutes'], null),
                'people' => self::number($row['hands'] ?? '', 1),
                'uses' => $part === '' ? [] : [$uses],
            ]);
        } catch (InputError $error) {
            throw new InputError(self::COLUMNS[$error->field] ?? $error->field, $error->getMessage());
        }
    }

    /**
     * @param  array<string, string>  $row
     * @return array{BoughtPart, list<string>} and what is said of it where it is new
     *
     * @throws InputError
     */
    private function part(string $name, array $row): array
    {
        $known = BoughtPart::query()->whereRaw('lower(name) = lower(?)', [$name])->first();
        if ($known !== null) {
            return [$known, []];
        }
        $mark = static fn (string $column): ?int => is_int($number = self::number($row[$column] ?? '', null))
            || $number === null
            ? $number
            : throw new InputError($column, 'must be a whole number');
        $part = $this->parts->say(null, [
            'name' => $name,
            'reorder_at' => $mark('reorder_at'),
            'order_to' => $mark('order_to'),
            'comes_days' => $mark('comes_days'),
            'retired' => false,
        ], null);

        return [$part, ["{$name}: a new part, none of it there"]];
    }

    /** As the core is given it: a number, whole where it is; what is none as it stands, for the core to refuse. */
    private static function number(string $text, ?int $usual): int|float|string|null
    {
        if (trim($text) === '') {
            return $usual;
        }
        $number = Csv::number($text) ?? $text;

        return is_float($number) && floor($number) === $number ? (int) $number : $number;
    }
}
