<?php

declare(strict_types=1);

namespace App\People\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One person at one screen, from the password or PIN to the next person's.
 *
 * @property string $id
 * @property int $device_id
 * @property int $user_id
 * @property string $secret_hash
 * @property CarbonImmutable $began_at
 * @property CarbonImmutable|null $ended_at
 * @property-read User $user
 */
final class Sitting extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    protected $fillable = ['id', 'device_id', 'user_id', 'secret_hash', 'began_at', 'ended_at'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['began_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];
    }
}
