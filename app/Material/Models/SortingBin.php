<?php

declare(strict_types=1);

namespace App\Material\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An open container at a sorting; polymer null is waste.
 *
 * @property int $id
 * @property string $sorting_id
 * @property int $place
 * @property string|null $polymer
 * @property string $colour
 * @property string $swatch
 * @property string $location
 * @property int|null $lot_id
 * @property Lot|null $lot
 */
final class SortingBin extends Model
{
    public $timestamps = false;

    protected $fillable = ['sorting_id', 'place', 'polymer', 'colour', 'swatch', 'location', 'lot_id'];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Lot, $this> */
    public function lot(): BelongsTo
    {
        return $this->belongsTo(Lot::class);
    }

    protected function casts(): array
    {
        return [];
    }
}
