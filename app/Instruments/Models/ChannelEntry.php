<?php

declare(strict_types=1);

namespace App\Instruments\Models;

use App\Instruments\Support\ChannelEntryKind;
use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What somebody said of a channel: limits as a whole, or by how much it is off. Append-only; the newest of a kind
 * counts.
 *
 * @property int $id
 * @property int $channel_id
 * @property ChannelEntryKind $kind
 * @property array<string, float|string|null> $said
 * @property string $note
 * @property int|null $by_id
 * @property CarbonImmutable $at
 * @property User|null $by
 */
final class ChannelEntry extends Model
{
    public $timestamps = false;

    protected $table = 'channel_log';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['kind' => ChannelEntryKind::class, 'said' => 'array', 'at' => 'immutable_datetime'];
    }
}
