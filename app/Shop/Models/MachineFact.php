<?php

declare(strict_types=1);

namespace App\Shop\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Dithermic\Core\Process\FactOrigin;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One fact of a machine as somebody gave it. Append-only: a better one is a further one.
 *
 * @property int $id
 * @property int $machine_id
 * @property string $name
 * @property float|int|string|null $value null where it is not known
 * @property FactOrigin $origin
 * @property string $note
 * @property int|null $by_id
 * @property CarbonImmutable $at
 * @property User|null $by
 */
final class MachineFact extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['value' => 'json', 'origin' => FactOrigin::class, 'at' => 'immutable_datetime'];
    }
}
