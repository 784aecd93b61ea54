<?php

declare(strict_types=1);

namespace App\Material\Models;

use App\Material\Support\MovementKind;
use App\People\Models\User;
use App\Runs\Models\Run;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One line of a lot's ledger; grams in are positive, out negative. The database refuses to change it.
 *
 * @property int $id
 * @property string $mass_g
 * @property MovementKind $kind
 * @property string $reason
 * @property string|null $run_id
 * @property CarbonImmutable $at
 * @property User|null $by
 * @property Run|null $run
 * @property Lot $lot
 * @property int|null $other_lot_id the lot at the other end
 * @property Lot|null $otherLot
 * @property string|null $charge_id
 */
final class LotMovement extends Model
{
    public $timestamps = false;

    protected $fillable = [
        'lot_id',
        'mass_g',
        'kind',
        'reason',
        'run_id',
        'event_key',
        'by_id',
        'at',
        'act_id',
        'other_lot_id',
        'charge_id',
    ];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /** @return BelongsTo<Lot, $this> */
    public function lot(): BelongsTo
    {
        return $this->belongsTo(Lot::class);
    }

    /** @return BelongsTo<Lot, $this> */
    public function otherLot(): BelongsTo
    {
        return $this->belongsTo(Lot::class, 'other_lot_id');
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    protected function casts(): array
    {
        return ['kind' => MovementKind::class, 'at' => 'immutable_datetime'];
    }
}
