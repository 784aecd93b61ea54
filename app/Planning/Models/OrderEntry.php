<?php

declare(strict_types=1);

namespace App\Planning\Models;

use App\People\Models\User;
use App\Planning\Support\OrderEntryKind;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What came of an order: moved to another day, delivered, cancelled. Append-only.
 *
 * @property int $id
 * @property string $order_id
 * @property OrderEntryKind $kind
 * @property CarbonImmutable|null $due_at
 * @property string $reason
 * @property CarbonImmutable $at
 * @property User $by
 */
final class OrderEntry extends Model
{
    public $timestamps = false;

    protected $table = 'order_log';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['kind' => OrderEntryKind::class, 'due_at' => 'immutable_datetime', 'at' => 'immutable_datetime'];
    }
}
