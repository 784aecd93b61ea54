<?php

declare(strict_types=1);

namespace App\Causes\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What stands for a good place of a product from here on, or that nothing does. Append-only.
 *
 * @property int $id
 * @property int $product_id
 * @property string $place
 * @property string|null $part_picture_id
 * @property CarbonImmutable $at
 * @property User $by
 * @property PartPicture|null $shown
 */
final class SampleLine extends Model
{
    public $timestamps = false;

    protected $table = 'sample_log';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /** @return BelongsTo<PartPicture, $this> */
    public function shown(): BelongsTo
    {
        return $this->belongsTo(PartPicture::class, 'part_picture_id');
    }

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
