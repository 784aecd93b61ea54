<?php

declare(strict_types=1);

namespace App\Material\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What the scale said for one component of a charge, and the lot it came from.
 *
 * @property string $id
 * @property string $charge_id
 * @property int $component
 * @property int $lot_id
 * @property string $mass_g
 * @property string $how
 * @property string $reason
 * @property CarbonImmutable $at
 * @property Lot $lot
 * @property User $by
 */
final class Weighing extends Model
{
    public $incrementing = false;

    protected $keyType = 'string';

    public $timestamps = false;

    protected $fillable = ['id', 'charge_id', 'component', 'lot_id', 'mass_g', 'how', 'reason', 'by_id', 'at'];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

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
        return ['at' => 'immutable_datetime'];
    }
}
