<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That something was looked after. Append-only.
 *
 * @property string $id
 * @property string $care_id
 * @property string $note
 * @property int $by_id
 * @property CarbonImmutable $at
 * @property User $by
 */
final class CareDone extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'care_done';

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
