<?php

declare(strict_types=1);

namespace App\Instruments\Models;

use App\People\Models\User;
use App\Runs\Models\Run;
use Carbon\CarbonImmutable;
use Dithermic\Core\Instrument\AlarmKind;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a channel told that it should not have. It is over when the channel is well again, and off the screens when
 * somebody has answered too.
 *
 * @property string $id
 * @property int $channel_id
 * @property string|null $run_id the run that its machine was in
 * @property AlarmKind $kind
 * @property float $value
 * @property float $bound
 * @property CarbonImmutable $began_at
 * @property CarbonImmutable|null $ended_at
 * @property int|null $answered_by
 * @property CarbonImmutable|null $answered_at
 * @property string $note
 * @property Channel $channel
 * @property Run|null $run
 * @property User|null $person
 */
final class Alarm extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<Channel, $this> */
    public function channel(): BelongsTo
    {
        return $this->belongsTo(Channel::class);
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return BelongsTo<User, $this> who answered */
    public function person(): BelongsTo
    {
        return $this->belongsTo(User::class, 'answered_by');
    }

    /**
     * What still wants somebody: it stands, or it came and went and nobody has seen it.
     *
     * @param  Builder<$this>  $query
     */
    public function scopeOpen(Builder $query, CarbonImmutable $since): void
    {
        $query->where(static fn (Builder $q) => $q->whereNull('ended_at')->orWhere(
            static fn (Builder $gone) => $gone->whereNull('answered_at')->where('began_at', '>', $since),
        ));
    }

    protected function casts(): array
    {
        return [
            'kind' => AlarmKind::class,
            'value' => 'float',
            'bound' => 'float',
            'began_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
            'answered_at' => 'immutable_datetime',
        ];
    }
}
