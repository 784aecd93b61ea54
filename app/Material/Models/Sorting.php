<?php

declare(strict_types=1);

namespace App\Material\Models;

use App\Material\Support\SortingState;
use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A batch of mixed items being sorted into open containers.
 *
 * @property string $id
 * @property int $source_id
 * @property string $about
 * @property string $in_g
 * @property float $scale_g
 * @property SortingState $status
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable|null $closed_at
 * @property Source $source
 * @property User $by
 */
final class Sorting extends Model
{
    public $incrementing = false;

    protected $keyType = 'string';

    public $timestamps = false;

    protected $fillable = ['id', 'source_id', 'about', 'in_g', 'scale_g', 'status', 'by_id', 'started_at', 'closed_at'];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Source, $this> */
    public function source(): BelongsTo
    {
        return $this->belongsTo(Source::class);
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /** @return HasMany<SortingBin, $this> */
    public function bins(): HasMany
    {
        return $this->hasMany(SortingBin::class)->orderBy('place');
    }

    /** @return HasMany<SortingEntry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(SortingEntry::class)->orderBy('at');
    }

    protected function casts(): array
    {
        return [
            'status' => SortingState::class,
            'scale_g' => 'float',
            'started_at' => 'immutable_datetime',
            'closed_at' => 'immutable_datetime',
        ];
    }
}
