<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\People\Models\User;
use App\Runs\Models\ProcedureEntry;
use App\Runs\Queries\PresentProcedure;
use App\Support\AllOrNone;
use App\Support\Csv;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Run\OwnWay;
use Illuminate\Support\Str;

/**
 * How the shop works its procedures out of a CSV file, a row for each thing that is otherwise than shipped. What the
 * file holds of a procedure is the whole of its own way; it becomes a proposal, which a lead decides on as on any
 * other.
 */
final readonly class ImportProcedures
{
    public const NEEDED = ['procedure', 'step', 'own', 'what', 'value'];

    /** said once for each of several */
    private const LISTS = ['cautions', 'checks'];

    private const NUMBERS = ['typical_min', 'people'];

    private const YES = ['yes' => true, 'true' => true, '1' => true, 'no' => false, 'false' => false, '0' => false];

    private const REASON = 'from a CSV file';

    public function __construct(
        private AllOrNone $allOrNone,
        private SayOfProcedure $say,
        private PresentProcedure $present,
    ) {
    }

    /** @return array{rows: int, errors: list<array{row: int, field: string, message: string}>, would: list<string>} */
    public function __invoke(string $id, User $by, string $text, bool $dry): array
    {
        return ($this->allOrNone)(
            $id,
            $text,
            self::NEEDED,
            'procedure',
            'what',
            $dry,
            fn (string $key, array $rows): array => $this->propose($key, $rows, $by),
        );
    }

    /**
     * @param  array<int, array<string, string>>  $rows
     * @return list<string>
     *
     * @throws InputError
     */
    private function propose(string $key, array $rows, User $by): array
    {
        $all = $this->present->shipped();
        $shipped = $all[$key]
            ?? throw new InputError('procedure', "\"{$key}\" is none: ".implode(', ', array_keys($all)));
        $changes = self::changes($rows);
        OwnWay::over($shipped, $changes);
        $inForce = ProcedureEntry::inForce($key);
        if (($inForce->proposal->way ?? []) == $changes) {
            return ["{$key}: as it is worked already"];
        }
        $this->say->propose((string) Str::uuid(), $shipped, $changes, $inForce->id ?? 0, self::REASON, [], $by);

        return array_map(
            static fn (string $line): string => "{$key}, proposed: {$line}",
            OwnWay::says($shipped, $changes),
        );
    }

    /**
     * @param  array<int, array<string, string>>  $rows
     * @return list<array<string, mixed>> in the order of the file
     *
     * @throws InputError by the column
     */
    private static function changes(array $rows): array
    {
        [$changes, $lists] = [[], []];
        foreach ($rows as $number => $row) {
            if ($row['step'] === '') {
                throw new InputError(
                    'step',
                    "of row {$number} is empty: which one is changed, or comes before the own one?",
                );
            }
            $of = "{$row['step']}|{$row['own']}";
            $changes[$of] ??= $row['own'] === ''
                ? ['step' => $row['step']]
                : ['after' => $row['step'], 'title' => $row['own']];
            if (in_array($row['what'], self::LISTS, true)) {
                $lists[$of][$row['what']][] = $row['value'];

                continue;
            }
            if (isset($changes[$of][$row['what']])) {
                throw new InputError($row['what'], "of {$row['step']} is said twice");
            }
            $changes[$of][$row['what']] = self::value($row);
        }

        return array_values(array_map(
            static fn (array $change, string $of): array => $change + ($lists[$of] ?? []),
            $changes,
            array_keys($changes),
        ));
    }

    /**
     * @param  array<string, string>  $row
     *
     * @throws InputError
     */
    private static function value(array $row): string|float|int|bool
    {
        $value = $row['value'];
        if ($row['what'] === 'strict') {
            return self::YES[mb_strtolower($value)] ?? throw new InputError('strict', 'must be yes or no');
        }
        if (! in_array($row['what'], self::NUMBERS, true)) {
            return $value;
        }
        $number = Csv::number($value) ?? throw new InputError($row['what'], "\"{$value}\" is no number");

        return $number === floor($number) ? (int) $number : $number;
    }
}
