<?php

declare(strict_types=1);

namespace App\Runs\Models;

use App\Material\Models\Lot;
use App\Runs\Support\OutputKind;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What came out of a run: goods by the piece, or a lot of material.
 *
 * @property int $id
 * @property string $run_id
 * @property OutputKind $kind
 * @property int|null $product_id
 * @property int|null $lot_id
 * @property int|null $count
 * @property string|null $mass_g
 * @property string $event_key
 * @property CarbonImmutable $at
 */
final class RunOutput extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Lot, $this> */
    public function lot(): BelongsTo
    {
        return $this->belongsTo(Lot::class);
    }

    protected function casts(): array
    {
        return ['kind' => OutputKind::class, 'at' => 'immutable_datetime'];
    }
}
