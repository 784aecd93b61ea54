<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use App\Support\AllOrNone;
use App\Support\Csv;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Schema;
use Dithermic\Core\Process\Processes;
use Illuminate\Support\ValidatedInput;

/**
 * How products are set up on machines, out of a CSV file: a row for each setting or method. What a file says of a
 * product on a machine is the whole of its next version; one that is as the newest stays.
 */
final readonly class ImportSetUps
{
    public const NEEDED = ['product', 'machine', 'setting', 'value'];

    private const NOTE = 'from a CSV file';

    private const LONGEST_NOTE = 500;

    public function __construct(private AllOrNone $allOrNone, private KeepRecipe $keep, private Processes $processes)
    {
    }

    /** @return array{rows: int, errors: list<array{row: int, field: string, message: string}>, would: list<string>} */
    public function __invoke(string $id, User $by, string $text, bool $dry): array
    {
        return ($this->allOrNone)(
            $id,
            $text,
            self::NEEDED,
            'product',
            'setting',
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
        $byMachine = [];
        foreach ($rows as $row) {
            $byMachine[$row['machine']][] = $row;
        }
        $says = [];
        foreach ($byMachine as $on => $of) {
            $machine = Machine::query()->where('name', (string) $on)->first()
                ?? throw new InputError('machine', "there is no machine \"{$on}\"");
            $says[] = $this->version($product, $machine, $of, $by);
        }

        return $says;
    }

    /**
     * @param  non-empty-list<array<string, string>>  $rows
     *
     * @throws InputError by the setting
     */
    private function version(Product $product, Machine $machine, array $rows, User $by): string
    {
        $process = $this->processes->get($product->process);
        $known = Schema::of($process->settings())['properties'];
        $settings = [];
        foreach ($rows as $row) {
            $setting = $row['setting'];
            $isMethod = in_array($setting, $process->schools(), true);
            if (! $isMethod && ! isset($known[$setting])) {
                throw new InputError('setting', "\"{$setting}\" is none of how {$product->name} is made");
            }
            if (isset($settings[$setting])) {
                throw new InputError($setting, "stands twice for {$product->name} on {$machine->name}");
            }
            $settings[$setting] = $isMethod && $row['value'] !== ''
                ? $row['value']
                : Csv::number($row['value']) ?? throw new InputError($setting, "\"{$row['value']}\" is not a number");
        }
        $newest = Recipe::newest($product, $machine);
        $title = "{$product->name} on {$machine->name}";
        // As numbers are kept, 8 and 8.0 are one.
        if ($newest !== null && $newest->settings == $settings) {
            return "{$title}: as it was";
        }
        $version = $newest->version ?? 0;
        $note = trim((string) ($rows[0]['note'] ?? ''));
        ($this->keep)($product, $by, new ValidatedInput([
            'machine_id' => $machine->id,
            'after_version' => $version,
            'settings' => $settings,
            'note' => mb_substr($note === '' ? self::NOTE : $note, 0, self::LONGEST_NOTE),
        ]));

        return $version === 0 ? "{$title}: its first set-up" : "{$title}: version {$version} → ".($version + 1);
    }
}
