<?php

declare(strict_types=1);

namespace App\Runs\Models;

use App\Material\Models\Lot;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A lot that a run is made of; without a mass until something of it went in.
 *
 * @property int $id
 * @property string $run_id
 * @property int $lot_id
 * @property string|null $mass_g
 * @property Lot $lot
 */
final class RunMaterial extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<Lot, $this> */
    public function lot(): BelongsTo
    {
        return $this->belongsTo(Lot::class);
    }
}
