<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Dithermic\Core\Care\Interval;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Something of a machine that is looked after: again and again, or once because somebody raised it.
 *
 * @property string $id
 * @property int $machine_id
 * @property string $title
 * @property string $why
 * @property int|null $every_days
 * @property int|null $every_pieces
 * @property string|null $run_id the run that it was seen in
 * @property int $by_id
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $given_up_at
 * @property User $by
 * @property Machine $machine
 */
final class Care extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'care';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    public function interval(): Interval
    {
        return new Interval($this->every_days, $this->every_pieces);
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /** @return BelongsTo<Machine, $this> */
    public function machine(): BelongsTo
    {
        return $this->belongsTo(Machine::class);
    }

    /** @return HasMany<CareDone, $this> newest first */
    public function done(): HasMany
    {
        return $this->hasMany(CareDone::class)->orderByDesc('at');
    }

    /**
     * @param  Builder<Care>  $query
     * @return Builder<Care>
     */
    public function scopeStanding(Builder $query): Builder
    {
        return $query->whereNull('given_up_at')
            ->whereHas('machine', static fn (Builder $machine) => $machine->whereNull('retired_at'));
    }

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'given_up_at' => 'immutable_datetime'];
    }
}
