<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\People\Models\User;
use App\Shop\Support\PartMovementKind;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Bought-in parts that came, were used, or were counted and put right. Append-only.
 *
 * @property string $id
 * @property int $part_id
 * @property PartMovementKind $kind
 * @property int $count what it changes
 * @property int|null $product_id what they went into
 * @property string $reason
 * @property int $by_id
 * @property CarbonImmutable $at
 * @property User $by
 */
final class PartMovement extends Model
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
        return ['kind' => PartMovementKind::class, 'at' => 'immutable_datetime'];
    }
}
