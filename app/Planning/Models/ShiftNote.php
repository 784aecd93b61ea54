<?php

declare(strict_types=1);

namespace App\Planning\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a shift says to the next. Append-only.
 *
 * @property string $id
 * @property string $text
 * @property CarbonImmutable $at
 * @property User $by
 */
final class ShiftNote extends Model
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
        return ['at' => 'immutable_datetime'];
    }
}
