<?php

declare(strict_types=1);

namespace App\Material\Models;

use App\Material\Support\ChargeState;
use App\People\Models\User;
use App\Shop\Models\Product;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A weighed charge: what it should hold, from which lots it was really taken, and what became of it.
 *
 * @property string $id
 * @property int $number
 * @property int|null $product_id
 * @property string $about
 * @property string $polymer
 * @property float $scale_g
 * @property float $tolerance_pct
 * @property list<array{name: string, swatch: string, target_g: float, kind: string}> $components
 * @property ChargeState $status
 * @property string|null $run_id
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable|null $closed_at
 * @property User $by
 * @property Product|null $product
 */
final class Charge extends Model
{
    public $incrementing = false;

    protected $keyType = 'string';

    public $timestamps = false;

    protected $fillable = [
        'id',
        'product_id',
        'about',
        'polymer',
        'scale_g',
        'tolerance_pct',
        'components',
        'status',
        'run_id',
        'by_id',
        'created_at',
        'closed_at',
    ];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Product, $this> */
    public function product(): BelongsTo
    {
        return $this->belongsTo(Product::class);
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /** @return HasMany<Weighing, $this> */
    public function weighings(): HasMany
    {
        return $this->hasMany(Weighing::class)->orderBy('at');
    }

    /** @return array<int, float> what is in it now, g by lot; asked of the database where its weighings are not at hand */
    public function grams(): array
    {
        if ($this->relationLoaded('weighings')) {
            return $this->weighings->groupBy('lot_id')
                ->map(static fn ($of): float => (float) $of->sum('mass_g'))
                ->all();
        }

        return array_map(
            floatval(...),
            $this->hasMany(Weighing::class)
                ->groupBy('lot_id')
                ->selectRaw('lot_id, sum(mass_g) as grams')
                ->toBase()
                ->pluck('grams', 'lot_id')
                ->all(),
        );
    }

    protected function casts(): array
    {
        return [
            'status' => ChargeState::class,
            'scale_g' => 'float',
            'tolerance_pct' => 'float',
            'components' => 'array',
            'created_at' => 'immutable_datetime',
            'closed_at' => 'immutable_datetime',
        ];
    }
}
