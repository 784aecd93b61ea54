<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Rows of a CSV file into the shop, all of them or none, once for each id; a dry run says what each would do. */
final readonly class AllOrNone
{
    /** faults and lines of what it would do that are told */
    private const TOLD = 200;

    public function __construct(private Sent $sent)
    {
    }

    /**
     * @param  list<string>  $needed  columns
     * @param  string  $column  that names what a row is of
     * @param  string  $part  column of what a fault is of
     * @param  Closure(string, array<int, array<string, string>>): list<string>  $take  takes the rows of one thing, says what it does
     * @return array{rows: int, errors: list<array{row: int, field: string, message: string}>, would: list<string>}
     */
    public function __invoke(
        string $id,
        string $text,
        array $needed,
        string $column,
        string $part,
        bool $dry,
        Closure $take,
    ): array {
        $rows = Csv::read($text, $needed);
        if ($rows === []) {
            throw new InputError('file', 'has a header and no rows');
        }
        [$errors, $would] = [[], []];
        DB::beginTransaction();
        try {
            if ($dry || $this->sent->as($id)) {
                foreach ($this->byName($rows, $column, $errors) as $name => $of) {
                    try {
                        array_push($would, ...$take((string) $name, $of));
                    } catch (InputError $error) {
                        $errors[] = self::fault($error, $of, $part);
                    }
                }
            }
            // What a dry run tried is taken back; so is everything where one row is at fault.
            $dry || $errors !== [] ? DB::rollBack() : DB::commit();
        } catch (Throwable $error) {
            DB::rollBack();
            throw $error;
        }
        usort($errors, static fn (array $a, array $b): int => $a['row'] <=> $b['row']);

        return [
            'rows' => count($rows),
            'errors' => array_slice($errors, 0, self::TOLD),
            'would' => array_slice($would, 0, self::TOLD),
        ];
    }

    /**
     * @param  list<array<string, string>>  $rows
     * @param  list<array{row: int, field: string, message: string}>  $errors  filled with rows that name nothing
     * @return array<array-key, array<int, array<string, string>>> by the number of the row, by what they are of
     */
    private function byName(array $rows, string $column, array &$errors): array
    {
        $named = [];
        foreach ($rows as $i => $row) {
            $name = $row[$column];
            if ($name !== '' && mb_strlen($name) <= 60) {
                $named[$name][$i + 2] = $row;

                continue;
            }
            $errors[] = [
                'row' => $i + 2,
                'field' => $column,
                'message' => $name === '' ? 'is empty' : 'is longer than 60 letters',
            ];
        }

        return $named;
    }

    /**
     * The row of what is at fault, else the first of the thing.
     *
     * @param  array<int, array<string, string>>  $rows
     * @return array{row: int, field: string, message: string}
     */
    private static function fault(InputError $error, array $rows, string $part): array
    {
        $parts = explode('.', $error->field);
        $field = (string) end($parts);
        $at = (int) array_key_first($rows);
        foreach ($rows as $number => $row) {
            if (in_array($row[$part], [$error->field, $field], true)) {
                $at = $number;
                break;
            }
        }

        return ['row' => $at, 'field' => $field, 'message' => $error->getMessage()];
    }
}
