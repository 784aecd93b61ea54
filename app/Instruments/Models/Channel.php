<?php

declare(strict_types=1);

namespace App\Instruments\Models;

use App\Shop\Models\Machine;
use Carbon\CarbonImmutable;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Instrument\Limits;
use Dithermic\Core\Instrument\Watch;
use Dithermic\Core\Instrument\Watched;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What an instrument reads of a machine. It is known from its first reading on; what it read stays as it was sent.
 *
 * @property int $id
 * @property int $machine_id
 * @property string $key
 * @property string $unit
 * @property Watched $watched
 * @property float|null $low
 * @property float|null $high
 * @property string|null $follows
 * @property float $delay_s
 * @property float|null $silent_s
 * @property float|null $per_min
 * @property array<string, mixed> $watch what was folded from its readings so far
 * @property CarbonImmutable|null $last_at
 * @property float|null $last_value as it was sent
 * @property Machine $machine
 */
final class Channel extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    public function limits(): Limits
    {
        return new Limits(
            $this->watched,
            $this->low,
            $this->high,
            $this->follows,
            $this->delay_s,
            $this->silent_s,
            $this->per_min,
        );
    }

    public function folded(): Watch
    {
        return Watch::from(new Record($this->watch));
    }

    /** @return BelongsTo<Machine, $this> */
    public function machine(): BelongsTo
    {
        return $this->belongsTo(Machine::class);
    }

    /** @return HasMany<ChannelEntry, $this> oldest first */
    public function log(): HasMany
    {
        return $this->hasMany(ChannelEntry::class)->orderBy('id');
    }

    /** @return HasMany<Alarm, $this> */
    public function alarms(): HasMany
    {
        return $this->hasMany(Alarm::class);
    }

    protected function casts(): array
    {
        return [
            'watched' => Watched::class,
            'watch' => 'array',
            'last_at' => 'immutable_datetime',
            'low' => 'float',
            'high' => 'float',
            'delay_s' => 'float',
            'silent_s' => 'float',
            'per_min' => 'float',
            'last_value' => 'float',
        ];
    }
}
