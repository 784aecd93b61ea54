<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A value of the polymer library that this shop has changed. Append-only: the newest one for a path is in force.
 *
 * @property int $id
 * @property string $polymer
 * @property string $path
 * @property float|null $value null: back to the library
 * @property string $reason
 * @property CarbonImmutable $created_at
 * @property-read User|null $by
 */
final class PolymerOverride extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['polymer', 'path', 'value', 'reason', 'by_id'];

    /** @return array<string, array<string, float>> */
    public static function inForce(): array
    {
        return array_map(
            static fn (array $of): array => array_map(static fn (self $o): float => (float) $o->value, $of),
            self::standing(),
        );
    }

    /** @return array<string, array<string, self>> the newest of each, of those that are not back to the library */
    public static function standing(): array
    {
        $standing = [];
        foreach (self::query()->orderBy('id')->get(['polymer', 'path', 'value', 'reason']) as $override) {
            unset($standing[$override->polymer][$override->path]);
            if ($override->value !== null) {
                $standing[$override->polymer][$override->path] = $override;
            }
        }

        return $standing;
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['value' => 'float', 'created_at' => 'immutable_datetime'];
    }
}
