<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Pieces that were finished; fewer than none takes some back. Append-only.
 *
 * @property string $id
 * @property int $product_id
 * @property int $count
 * @property bool $stood it was finished before anybody said what is done
 * @property string $reason
 * @property int $by_id
 * @property CarbonImmutable $at
 * @property User $by
 */
final class Finished extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'finished';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
