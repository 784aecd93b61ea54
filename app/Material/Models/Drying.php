<?php

declare(strict_types=1);

namespace App\Material\Models;

use App\People\Models\User;
use App\Shop\Models\Machine;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A lot in a dryer.
 *
 * @property string $id
 * @property int $machine_id
 * @property int $lot_id
 * @property float $air_c
 * @property float $hours
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable $ready_at
 * @property CarbonImmutable|null $wanted_at
 * @property CarbonImmutable|null $out_at
 * @property bool|null $out_dry
 * @property Machine $machine
 * @property Lot $lot
 * @property User $by
 */
final class Drying extends Model
{
    public $incrementing = false;

    protected $keyType = 'string';

    public $timestamps = false;

    protected $fillable = [
        'id',
        'machine_id',
        'lot_id',
        'air_c',
        'hours',
        'started_at',
        'ready_at',
        'wanted_at',
        'out_at',
        'out_dry',
        'by_id',
        'out_by_id',
    ];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Machine, $this> */
    public function machine(): BelongsTo
    {
        return $this->belongsTo(Machine::class);
    }

    /** @return BelongsTo<Lot, $this> */
    public function lot(): BelongsTo
    {
        return $this->belongsTo(Lot::class);
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return [
            'air_c' => 'float',
            'hours' => 'float',
            'started_at' => 'immutable_datetime',
            'ready_at' => 'immutable_datetime',
            'wanted_at' => 'immutable_datetime',
            'out_at' => 'immutable_datetime',
        ];
    }
}
