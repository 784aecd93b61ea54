<?php

declare(strict_types=1);

namespace App\Planning\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * When somebody is here on a day, the newest of a person counts; from and to alike: not at all. Append-only.
 *
 * @property int $id
 * @property int $person_id
 * @property CarbonImmutable $day
 * @property CarbonImmutable $from_at
 * @property CarbonImmutable $to_at
 * @property CarbonImmutable $at
 * @property User $person
 */
final class Presence extends Model
{
    public $timestamps = false;

    protected $table = 'presences';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(User::class, 'person_id');
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return [
            'day' => 'immutable_datetime',
            'from_at' => 'immutable_datetime',
            'to_at' => 'immutable_datetime',
            'at' => 'immutable_datetime',
        ];
    }
}
