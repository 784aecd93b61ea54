<?php

declare(strict_types=1);

namespace App\Shop\Models;

use Database\Factories\ProductFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string $process
 * @property string $polymer
 * @property array<string, float|int> $dimensions
 * @property string $note
 * @property int|null $mould_id the mould that it is usually made in
 * @property int|null $reorder_at at so many or fewer more are made
 * @property int|null $make_to how many there ought to be then
 * @property int $revision how often it was changed, from 1
 */
final class Product extends Model
{
    /** @use HasFactory<ProductFactory> */
    use HasFactory;

    protected $fillable = [
        'name',
        'process',
        'polymer',
        'dimensions',
        'note',
        'revision',
        'mould_id',
        'reorder_at',
        'make_to',
    ];

    /** @return HasMany<Recipe, $this> */
    public function recipes(): HasMany
    {
        return $this->hasMany(Recipe::class);
    }

    protected function casts(): array
    {
        return ['dimensions' => 'array'];
    }
}
