<?php

declare(strict_types=1);

namespace App\Planning\Models;

use App\People\Models\User;
use App\Planning\Support\WishKind;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What somebody wants of a job in a day's plan, the newest of a job counts. Append-only.
 *
 * @property int $id
 * @property string $job
 * @property WishKind $kind
 * @property CarbonImmutable|null $start_at
 */
final class PlanWish extends Model
{
    public $timestamps = false;

    protected $table = 'plan_wishes';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return [
            'day' => 'immutable_datetime',
            'kind' => WishKind::class,
            'start_at' => 'immutable_datetime',
            'at' => 'immutable_datetime',
        ];
    }
}
