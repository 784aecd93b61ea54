<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * How a product is run on a machine. Append-only: a change is the next version.
 *
 * @property int $id
 * @property int $product_id
 * @property int $machine_id
 * @property int $version
 * @property array<string, mixed> $settings
 * @property string $note
 * @property CarbonImmutable $created_at
 * @property Product $product
 * @property Machine $machine
 * @property User $by
 */
final class Recipe extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['product_id', 'machine_id', 'version', 'settings', 'note', 'by_id', 'created_at'];

    /** The newest version of a product on a machine. */
    public static function newest(Product $product, Machine $machine): ?self
    {
        return self::query()->where(['product_id' => $product->id, 'machine_id' => $machine->id])
            ->orderByDesc('version')
            ->first();
    }

    /** @return BelongsTo<Product, $this> */
    public function product(): BelongsTo
    {
        return $this->belongsTo(Product::class);
    }

    /** @return BelongsTo<Machine, $this> */
    public function machine(): BelongsTo
    {
        return $this->belongsTo(Machine::class);
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['settings' => 'array', 'created_at' => 'immutable_datetime'];
    }
}
