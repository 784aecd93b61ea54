<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property string $process
 * @property string $polymer
 * @property array<string, float|int> $dimensions
 * @property string $note
 * @property CarbonImmutable $updated_at
 */
final class Product extends Model
{
    protected $dateFormat = 'Y-m-d H:i:s.vP';

    protected $fillable = ['name', 'process', 'polymer', 'dimensions', 'note'];

    /** @return HasMany<Recipe, $this> */
    public function recipes(): HasMany
    {
        return $this->hasMany(Recipe::class);
    }

    protected function casts(): array
    {
        return ['dimensions' => 'array', 'updated_at' => 'immutable_datetime'];
    }
}
