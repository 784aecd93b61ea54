<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Shop\Models\PolymerOverride;
use App\Support\AllOrNone;
use App\Support\Csv;
use Dithermic\Core\Calculator\InputError;

/**
 * The shop's own values of polymers out of a CSV file, a row for each; an empty value goes back to the library. Each is
 * held to the others of its polymer in the order of the file, as one that is set on the screen.
 */
final readonly class ImportOwnValues
{
    public const NEEDED = ['polymer', 'property', 'value', 'reason'];

    private const LONGEST = 500;

    public function __construct(private AllOrNone $allOrNone, private SetOwnValue $set)
    {
    }

    /** @return array{rows: int, errors: list<array{row: int, field: string, message: string}>, would: list<string>} */
    public function __invoke(string $id, User $by, string $text, bool $dry): array
    {
        return ($this->allOrNone)(
            $id,
            $text,
            self::NEEDED,
            'polymer',
            'property',
            $dry,
            fn (string $polymer, array $rows): array => array_values(array_map(
                fn (array $row): string => $this->take($polymer, $row, $by),
                $rows,
            )),
        );
    }

    /**
     * @param  array<string, string>  $row
     *
     * @throws InputError by the property, so that its row is named
     */
    private function take(string $polymer, array $row, User $by): string
    {
        $property = $row['property'];
        $value = Csv::number($row['value']);
        if ($value === null && trim($row['value']) !== '') {
            throw new InputError($property, "\"{$row['value']}\" is no number");
        }
        $inForce = PolymerOverride::inForce()[$polymer][$property] ?? null;
        if ($value === $inForce) {
            return "{$polymer} {$property}: as it was";
        }
        $reason = trim($row['reason']);
        if ($reason === '' || mb_strlen($reason) > self::LONGEST) {
            throw new InputError(
                $property,
                'wants a reason of up to '.self::LONGEST.' letters: why it is otherwise here',
            );
        }
        try {
            ($this->set)($polymer, $property, $value, $reason, $by, null);
        } catch (InputError $error) {
            throw $error->field === 'code' ? $error : new InputError($property, $error->getMessage());
        }
        $told = static fn (?float $of): string => $of === null ? 'as the library has it' : (string) $of;

        return "{$polymer} {$property}: {$told($inForce)} → {$told($value)}";
    }
}
