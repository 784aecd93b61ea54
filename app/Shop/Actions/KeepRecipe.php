<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\ValidatedInput;

/** Settings as the next version of a product's recipe on a machine; nobody's version is covered unseen. */
final readonly class KeepRecipe
{
    private const LONGEST_NAME = 40;

    /**
     * @param  ValidatedInput  $with  machine_id, after_version, settings, note
     *
     * @throws InputError
     */
    public function __invoke(Product $product, User $by, ValidatedInput $with): Recipe
    {
        $settings = $with->array('settings');
        foreach ($settings as $name => $value) {
            $isValue = is_int($value) || is_float($value)
                || (is_string($value) && strlen($value) < self::LONGEST_NAME);
            if (! is_string($name) || ! $isValue) {
                throw new InputError("settings.{$name}", 'must be a number or a short name');
            }
        }

        return $this->next($product, Machine::query()->findOrFail($with->integer('machine_id')), $by, static function (?Recipe $newest) use (
            $with,
            $settings,
        ): array {
            $version = $newest->version ?? 0;
            if ($version !== $with->integer('after_version')) {
                throw new InputError(
                    'after_version',
                    "somebody has kept version {$version} meanwhile: look at it first",
                );
            }

            return ['settings' => $settings, 'note' => $with->string('note')->value()];
        });
    }

    /** One setting as the next version, beside what the newest one says: what a run has taught. */
    public function teach(
        Product $product,
        Machine $machine,
        string $setting,
        float $value,
        string $note,
        User $by,
    ): Recipe {
        return $this->next($product, $machine, $by, static fn (?Recipe $newest): array => [
            'settings' => [$setting => $value] + ($newest->settings ?? []), 'note' => $note,
        ]);
    }

    /** @param  callable(Recipe|null): array{settings: array<array-key, mixed>, note: string}  $says  of the newest version */
    private function next(Product $product, Machine $machine, User $by, callable $says): Recipe
    {
        return DB::transaction(static function () use ($product, $machine, $by, $says): Recipe {
            Product::query()->whereKey($product->id)->lockForUpdate()->first();
            $newest = Recipe::newest($product, $machine);

            return Recipe::query()->create($says($newest) + [
                'product_id' => $product->id,
                'machine_id' => $machine->id,
                'version' => ($newest->version ?? 0) + 1,
                'by_id' => $by->id,
                'created_at' => now(),
            ]);
        });
    }
}
