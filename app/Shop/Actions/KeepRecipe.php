<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
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
        $of = ['product_id' => $product->id, 'machine_id' => $with->integer('machine_id')];

        return DB::transaction(static function () use ($product, $by, $with, $of, $settings): Recipe {
            Product::query()->whereKey($product->id)->lockForUpdate()->first();
            $newest = (int) Recipe::query()->where($of)->max('version');
            if ($newest !== $with->integer('after_version')) {
                throw new InputError(
                    'after_version',
                    "somebody has kept version {$newest} meanwhile: look at it first",
                );
            }

            return Recipe::query()->create($of + [
                'version' => $newest + 1,
                'settings' => $settings,
                'note' => $with->string('note')->value(),
                'by_id' => $by->id,
                'created_at' => now(),
            ]);
        });
    }
}
