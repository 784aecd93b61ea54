<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\People\Models\User;
use App\Shop\Support\GoodsMovementKind;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Goods that were taken away, or counted and put right. Append-only. What was made is in the runs' outputs.
 *
 * @property string $id
 * @property int $product_id
 * @property GoodsMovementKind $kind
 * @property int $count what it changes
 * @property string $reason
 * @property int $by_id
 * @property CarbonImmutable $at
 * @property User $by
 */
final class GoodsMovement extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['kind' => GoodsMovementKind::class, 'at' => 'immutable_datetime'];
    }
}
