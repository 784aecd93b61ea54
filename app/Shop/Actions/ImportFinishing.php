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

/**
 * What is done to products after their run, out of a CSV file: a row for each operation, one more for each further part that
 * it takes. What a file says of a product is all that is done to it, in the order of the rows; a part that is not here is
 * entered.
 *
 * @phpstan-import-type Step from Finishing
 */
final readonly class ImportFinishing
{
    public const NEEDED = ['product', 'operation', 'minutes'];

    public const ALSO = ['hands', 'part', 'count', 'reorder_at', 'order_to', 'comes_days'];

    private const MOST = ['minutes' => 1440.0, 'hands' => 4.0, 'count' => 10_000.0, 'mark' => 1_000_000.0];

    private const LONGEST = ['operation' => 60, 'part' => 80];

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
            $title = self::text($row, 'operation');
            $steps[$title] ??= [
                'title' => $title,
                'minutes' => self::number($row, 'minutes', null, self::MOST['minutes']),
                'people' => (int) self::number($row, 'hands', 1.0, self::MOST['hands']),
                'uses' => [],
            ];
            if (trim($row['part'] ?? '') !== '') {
                [$part, $entered] = $this->part($row);
                $count = (int) self::number($row, 'count', 1.0, self::MOST['count']);
                $steps[$title]['uses'][] = ['part_id' => $part->id, 'count' => $count];
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
     * @param  array<string, string>  $row
     * @return array{BoughtPart, list<string>} and what is said of it where it is new
     *
     * @throws InputError
     */
    private function part(array $row): array
    {
        $name = self::text($row, 'part');
        $known = BoughtPart::query()->whereRaw('lower(name) = lower(?)', [$name])->first();
        if ($known !== null) {
            return [$known, []];
        }
        $mark = static fn (string $column): ?int => trim($row[$column] ?? '') === ''
            ? null
            : (int) self::number($row, $column, null, self::MOST['mark'], 0.0);
        $part = $this->parts->say(null, [
            'name' => $name,
            'reorder_at' => $mark('reorder_at'),
            'order_to' => $mark('order_to'),
            'comes_days' => $mark('comes_days'),
            'retired' => false,
        ], null);

        return [$part, ["{$name}: a new part, none of it there"]];
    }

    /**
     * @param  array<string, string>  $row
     *
     * @throws InputError
     */
    private static function text(array $row, string $column): string
    {
        $text = trim($row[$column] ?? '');
        if ($text === '' || mb_strlen($text) > self::LONGEST[$column]) {
            throw new InputError($column, 'must be there, of at most '.self::LONGEST[$column].' letters');
        }

        return $text;
    }

    /**
     * @param  array<string, string>  $row
     *
     * @throws InputError
     */
    private static function number(array $row, string $column, ?float $usual, float $most, float $least = 0.0001): float
    {
        $text = trim($row[$column] ?? '');
        if ($text === '' && $usual !== null) {
            return $usual;
        }
        $number = Csv::number($text);
        if ($number === null || $number < $least || $number > $most) {
            throw new InputError($column, "\"{$text}\" must be a number above 0, at most ".(int) $most);
        }
        if ($column !== 'minutes' && floor($number) !== $number) {
            throw new InputError($column, "\"{$text}\" must be whole");
        }

        return $number;
    }
}
