<?php

declare(strict_types=1);

namespace App\Models;

use Dithermic\Core\Safety\DryState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A container of one polymer from one source. What it holds is the sum of its movements, never a number of its own.
 *
 * @property int $id
 * @property string $code
 * @property int $source_id
 * @property string $polymer
 * @property string $form
 * @property string $colour
 * @property string $swatch
 * @property string $location
 * @property DryState $dry_state
 * @property Source $source
 * @property string|float|null $held_g
 */
final class Lot extends Model
{
    protected $fillable = ['code', 'source_id', 'polymer', 'form', 'colour', 'swatch', 'location', 'dry_state'];

    /** @return BelongsTo<Source, $this> */
    public function source(): BelongsTo
    {
        return $this->belongsTo(Source::class);
    }

    /** @return HasMany<LotMovement, $this> */
    public function movements(): HasMany
    {
        return $this->hasMany(LotMovement::class);
    }

    /** @param  Builder<self>  $query */
    public function scopeWithHeld(Builder $query): void
    {
        $query->withSum('movements as held_g', 'mass_g');
    }

    protected function casts(): array
    {
        return ['dry_state' => DryState::class];
    }
}
