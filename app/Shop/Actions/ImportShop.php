<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Support\AllOrNone;
use App\Support\Csv;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Schema;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\FactOrigin;
use Dithermic\Core\Process\Processes;

/**
 * Machines, moulds and products out of a CSV file, a row for each number: what is named is changed, what is not there
 * is entered, what is as it was stays. All rows go in, or none; a dry run says what each would do.
 */
final readonly class ImportShop
{
    public const NEEDED = [
        'machines' => ['machine', 'kind', 'fact', 'value'],
        'products' => ['product', 'process', 'polymer', 'number', 'value'],
    ];

    private const NOTE = 'from a CSV file';

    public function __construct(
        private SayOfMachine $say,
        private KeepProduct $keep,
        private Processes $processes,
        private AllOrNone $allOrNone,
    ) {
    }

    /** @return array{rows: int, errors: list<array{row: int, field: string, message: string}>, would: list<string>} */
    public function __invoke(string $id, User $by, string $kind, string $text, bool $dry): array
    {
        $machines = $kind === 'machines';

        return ($this->allOrNone)(
            $id,
            $text,
            self::NEEDED[$kind],
            $machines ? 'machine' : 'product',
            $machines ? 'fact' : 'number',
            $dry,
            fn (string $name, array $rows): array => $machines
                ? $this->machine($name, $rows, $by)
                : $this->product($name, $rows),
        );
    }

    /**
     * @param  array<int, array<string, string>>  $rows
     * @return list<string> what each row does
     *
     * @throws InputError
     */
    private function machine(string $name, array $rows, User $by): array
    {
        $known = Machine::query()->where('name', $name)->first();
        $kind = $this->one($rows, 'kind') ?? $known->kind ?? throw new InputError('kind', 'is empty: what is it?');
        $of = $this->processes->machineKinds()[$kind]
            ?? throw new InputError('kind', "\"{$kind}\" is none that is known here");
        if ($known !== null && $known->kind !== $kind) {
            throw new InputError(
                'kind',
                "of {$name} is {$known->kind}, and stays: enter the other under a name of its own",
            );
        }
        [$facts, $says] = [[], []];
        foreach ($this->numbers($rows, 'fact', $of->facts()) as $fact => [$value, $row]) {
            $origin = ($row['origin'] ?? '') === '' ? FactOrigin::Measured : FactOrigin::tryFrom($row['origin']);
            if ($origin === null) {
                throw new InputError('origin', "\"{$row['origin']}\" is none of plate, measured, fitted, unknown");
            }
            $was = $known->facts[$fact] ?? null;
            if ($value != $was || ($value === null) !== ($was === null)) {
                $facts[$fact] = ['value' => $value, 'origin' => $origin];
            }
            $says[] = self::change("{$name}, {$fact}", $was, $value);
        }
        if ($known === null) {
            $this->say->create($name, $kind, $facts, self::NOTE, $by);

            return ["{$name}: a new {$of->title}", ...$says];
        }
        if ($facts !== []) {
            $this->say->say($known, (int) $known->factLog()->max('id'), $facts, self::NOTE, $by);
        }

        return $says === [] ? ["{$name}: as it was"] : $says;
    }

    /**
     * @param  array<int, array<string, string>>  $rows
     * @return list<string>
     *
     * @throws InputError
     */
    private function product(string $name, array $rows): array
    {
        $known = Product::query()->where('name', $name)->lockForUpdate()->first();
        $process = $this->one($rows, 'process')
            ?? $known->process
            ?? throw new InputError('process', 'is empty: how is it made?');
        if (! $this->processes->has($process)) {
            throw new InputError('process', "\"{$process}\" is none that is known here");
        }
        if ($known !== null && $known->process !== $process) {
            throw new InputError(
                'process',
                "of {$name} is {$known->process}, and stays: enter the other under a name of its own",
            );
        }
        $had = $known->dimensions ?? [];
        [$dimensions, $says] = [$had, []];
        $settings = self::settings($this->processes->get($process)) + array_fill_keys(array_keys($had), []);
        foreach ($this->numbers($rows, 'number', $settings) as $number => [$value]) {
            $says[] = self::change("{$name}, {$number}", $had[$number] ?? null, $value);
            $dimensions[$number] = $value;
        }
        $said = [
            'name' => $name,
            'process' => $process,
            'polymer' => $this->one($rows, 'polymer')
                ?? $known->polymer
                ?? throw new InputError('polymer', 'is empty: of what is it made?'),
            'dimensions' => $dimensions,
            'note' => mb_substr($this->one($rows, 'note') ?? $known->note ?? '', 0, 500),
            'mould_id' => $this->mould($this->one($rows, 'mould')) ?? $known?->mould_id,
        ];
        if ($known === null) {
            $this->keep->create($said);

            return ["{$name}: a new product", ...$says];
        }
        $same = array_filter($dimensions, static fn (mixed $v): bool => $v !== null) == $had
            && [
                $said['polymer'],
                $said['note'],
                $said['mould_id'],
            ] === [$known->polymer, $known->note, $known->mould_id];
        if ($same) {
            return ["{$name}: as it was"];
        }
        $this->keep->change($known, $known->revision, $said);

        return $says === [] ? ["{$name}: changed"] : $says;
    }

    /** @return array<string, array<string, mixed>> JSON Schema by name */
    private static function settings(Definition $process): array
    {
        /** @var array<string, array<string, mixed>> */
        return Schema::of($process->settings())['properties'];
    }

    /** @throws InputError */
    private function mould(?string $name): ?int
    {
        return $name === null
            ? null
            : Machine::query()->where('name', $name)->value('id')
                ?? throw new InputError('mould', "there is no mould \"{$name}\"");
    }

    /**
     * What all rows of one thing say alike, in one of them at least.
     *
     * @param  array<int, array<string, string>>  $rows
     *
     * @throws InputError
     */
    private function one(array $rows, string $column): ?string
    {
        $said = array_values(array_unique(array_filter(
            array_column($rows, $column),
            static fn (string $value): bool => $value !== '',
        )));

        return count($said) > 1
            ? throw new InputError($column, "is {$said[0]} in one row and {$said[1]} in another")
            : $said[0] ?? null;
    }

    /**
     * @param  array<int, array<string, string>>  $rows
     * @param  array<string, array<string, mixed>>  $known  JSON Schema by name
     * @return array<string, array{float|string|null, array<string, string>}> value and row by name; an empty value is not known
     *
     * @throws InputError
     */
    private function numbers(array $rows, string $column, array $known): array
    {
        $numbers = [];
        foreach ($rows as $row) {
            $name = $row[$column];
            if ($name === '') {
                continue;
            }
            if (! isset($known[$name])) {
                throw new InputError($column, "\"{$name}\" is none of it");
            }
            if (isset($numbers[$name])) {
                throw new InputError($column, "\"{$name}\" stands in the file twice");
            }
            $isNumber = array_intersect(['number', 'integer'], (array) ($known[$name]['type'] ?? [])) !== [];
            $value = $row['value'] === '' ? null : Csv::number($row['value']);
            if ($isNumber && $row['value'] !== '' && $value === null) {
                throw new InputError($name, "\"{$row['value']}\" is not a number");
            }
            $numbers[$name] = [$value ?? ($row['value'] === '' ? null : $row['value']), $row];
        }

        return $numbers;
    }

    private static function change(string $what, mixed $was, float|string|null $is): string
    {
        $show = static fn (mixed $value): string => $value === null
            ? 'not known'
            : (string) (is_numeric($value) ? (float) $value : $value);

        return $show($was) === $show($is)
            ? "{$what}: {$show($is)}, as it was"
            : "{$what}: {$show($was)} → {$show($is)}";
    }
}
