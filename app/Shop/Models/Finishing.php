<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What is done to the pieces of a product after their run, as a lead said it; the newest is in force. Append-only.
 *
 * @phpstan-type Use array{part_id: int, count: int}
 * @phpstan-type Step array{title: string, minutes: float|int, people: int, uses: list<Use>}
 *
 * @property int $id
 * @property int $product_id
 * @property list<Step> $operations empty where nothing is done any more
 * @property int $by_id
 * @property CarbonImmutable $at
 * @property User $by
 */
final class Finishing extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /**
     * @param  list<int>|null  $products  all unless given
     * @return Collection<int, self> in force, by product, those that have operations
     */
    public static function inForce(?array $products = null): Collection
    {
        $newest = self::query()->selectRaw('max(id)')->groupBy('product_id');

        return self::query()
            ->whereIn('id', $products === null ? $newest : $newest->whereIn('product_id', $products))
            ->get()
            ->reject(static fn (self $f): bool => $f->operations === [])
            ->keyBy('product_id');
    }

    protected function casts(): array
    {
        return ['operations' => 'array', 'at' => 'immutable_datetime'];
    }
}
