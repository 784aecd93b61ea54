<?php

declare(strict_types=1);

namespace App\Causes\Models;

use App\People\Models\User;
use App\Runs\Models\Run;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A photograph of a part, by the place on it that it shows. Append-only.
 *
 * @property string $id
 * @property string $run_id
 * @property int $product_id
 * @property int|null $piece none where the run is one pass
 * @property string $place as the shop calls it
 * @property string $picture_id
 * @property CarbonImmutable $at
 * @property User $by
 * @property Run $run
 */
final class PartPicture extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
