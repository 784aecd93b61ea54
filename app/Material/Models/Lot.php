<?php

declare(strict_types=1);

namespace App\Material\Models;

use App\Shop\Models\Product;
use Carbon\CarbonImmutable;
use Database\Factories\LotFactory;
use Dithermic\Core\Safety\DryState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\DB;

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
 * @property int $generation how often it was shredded and pressed again
 * @property string|null $tare_g
 * @property array<string, mixed>|null $sheet
 * @property int|null $reserved_for_id
 * @property Product|null $reservedFor
 * @property string|null $picture_id
 * @property CarbonImmutable|null $dried_at
 * @property string|null $hopper open or closed, since it was dried
 * @property float|null $rh_pct
 * @property Source $source
 * @property string|float|null $held_g
 */
final class Lot extends Model
{
    /** @use HasFactory<LotFactory> */
    use HasFactory;

    /** shown where nobody has said a colour */
    public const NO_COLOUR = '#9aa0a2';

    protected $fillable = [
        'code',
        'source_id',
        'polymer',
        'form',
        'colour',
        'swatch',
        'location',
        'dry_state',
        'generation',
        'tare_g',
        'sheet',
        'reserved_for_id',
        'picture_id',
        'dried_at',
        'hopper',
        'rh_pct',
    ];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Source, $this> */
    public function source(): BelongsTo
    {
        return $this->belongsTo(Source::class);
    }

    /** @return BelongsTo<Product, $this> */
    public function reservedFor(): BelongsTo
    {
        return $this->belongsTo(Product::class, 'reserved_for_id');
    }

    /** @return HasMany<LotMovement, $this> */
    public function movements(): HasMany
    {
        return $this->hasMany(LotMovement::class);
    }

    /**
     * What it holds by its ledger, as the database keeps it in step.
     *
     * @param  Builder<self>  $query
     */
    public function scopeWithHeld(Builder $query): void
    {
        if ($query->getQuery()->columns === null) {
            $query->select('lots.*');
        }
        $query->selectRaw('(select mass_g from lot_totals where lot_id = lots.id) as held_g');
    }

    /** @param  Builder<self>  $query */
    public function scopeHolding(Builder $query): void
    {
        $query->whereIn('lots.id', DB::table('lot_totals')->select('lot_id')->where('mass_g', '>', 0));
    }

    protected function casts(): array
    {
        return [
            'rh_pct' => 'float',
            'dry_state' => DryState::class,
            'sheet' => 'array',
            'dried_at' => 'immutable_datetime',
        ];
    }
}
