<?php

declare(strict_types=1);

namespace App\People\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * A screen on which somebody has signed in with a password; only there does a PIN switch person.
 *
 * @property int $id
 * @property string $token_hash
 * @property CarbonImmutable $seen_at
 */
final class Device extends Model
{
    protected $fillable = ['token_hash', 'seen_at'];

    /** @return BelongsToMany<User, $this> */
    public function people(): BelongsToMany
    {
        return $this->belongsToMany(User::class);
    }

    protected function casts(): array
    {
        return ['seen_at' => 'immutable_datetime'];
    }
}
