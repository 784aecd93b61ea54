<?php

declare(strict_types=1);

namespace App\Runs\Models;

use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a machine's controller showed while it made good pieces: numbers once, and photographs of its pages.
 *
 * @property string $id
 * @property string $run_id
 * @property int $machine_id
 * @property int $product_id
 * @property int|null $mould_id
 * @property array<string, float> $shown
 * @property list<string> $pictures
 * @property int $by_id
 * @property CarbonImmutable $at
 * @property Run $run
 * @property Machine $machine
 * @property Product $product
 * @property Machine|null $mould
 * @property User $by
 */
final class CapturedSetUp extends Model
{
    use HasUuids;

    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return BelongsTo<Machine, $this> */
    public function machine(): BelongsTo
    {
        return $this->belongsTo(Machine::class);
    }

    /** @return BelongsTo<Product, $this> */
    public function product(): BelongsTo
    {
        return $this->belongsTo(Product::class);
    }

    /** @return BelongsTo<Machine, $this> */
    public function mould(): BelongsTo
    {
        return $this->belongsTo(Machine::class, 'mould_id');
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['shown' => 'array', 'pictures' => 'array', 'at' => 'immutable_datetime'];
    }
}
