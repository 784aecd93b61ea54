<?php

declare(strict_types=1);

namespace App\Runs\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Dithermic\Core\Process\Change\ChangeEntry;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One entry of a job change. Append-only.
 *
 * @property int $id
 * @property ChangeEntry $kind
 * @property array<string, mixed> $said
 * @property CarbonImmutable $at
 * @property User $by
 */
final class ChangeLine extends Model
{
    public $timestamps = false;

    protected $table = 'change_log';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['kind' => ChangeEntry::class, 'said' => 'array', 'at' => 'immutable_datetime'];
    }
}
