<?php

declare(strict_types=1);

namespace App\Planning\Models;

use App\People\Models\User;
use App\Planning\Support\OrderEntryKind;
use App\Shop\Models\Product;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * So many of a product that somebody waits for. Append-only; what came of it is in its log.
 *
 * @property string $id
 * @property int $number
 * @property int $product_id
 * @property int $count
 * @property CarbonImmutable $due_at as it was taken; its log may say otherwise
 * @property string $words
 * @property CarbonImmutable $at
 * @property Product $product
 * @property User $by
 * @property Collection<int, OrderEntry> $log
 */
final class ShopOrder extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'orders';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /**
     * That nobody has delivered or cancelled.
     *
     * @param  Builder<$this>  $query
     */
    public function scopeOpen(Builder $query): void
    {
        $query->whereDoesntHave('log', static fn (Builder $l) => $l->where('kind', '!=', OrderEntryKind::Moved));
    }

    public function dueAt(): CarbonImmutable
    {
        return $this->log->last(static fn (OrderEntry $e): bool => $e->kind === OrderEntryKind::Moved)->due_at
            ?? $this->due_at;
    }

    /** @return HasMany<OrderEntry, $this> */
    public function log(): HasMany
    {
        return $this->hasMany(OrderEntry::class, 'order_id')->orderBy('id');
    }

    /** @return BelongsTo<Product, $this> */
    public function product(): BelongsTo
    {
        return $this->belongsTo(Product::class);
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['due_at' => 'immutable_datetime', 'at' => 'immutable_datetime'];
    }
}
