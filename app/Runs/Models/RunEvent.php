<?php

declare(strict_types=1);

namespace App\Runs\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventSource;
use Dithermic\Core\Run\EventType;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One entry of a run's log. Append-only: the database refuses update and delete.
 *
 * @property int $id
 * @property string $run_id
 * @property int $seq
 * @property string $key
 * @property EventType $type
 * @property CarbonImmutable $at
 * @property CarbonImmutable $recorded_at
 * @property int $by_id
 * @property array<string, mixed> $data
 * @property EventSource $source
 * @property User $by
 */
final class RunEvent extends Model
{
    public $timestamps = false;

    protected $fillable = ['run_id', 'seq', 'key', 'type', 'at', 'by_id', 'data', 'recorded_at', 'source'];

    protected $attributes = ['source' => 'tap'];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** Read from what is stored, past the casts: a run of shots has a thousand of them, and is read at every entry. */
    public function toCore(): Event
    {
        $stored = $this->attributes;

        return new Event(
            $stored['key'],
            EventType::from($stored['type']),
            $this->seconds('at'),
            $this->by->name,
            (array) json_decode($stored['data'], true, 64, JSON_THROW_ON_ERROR),
            $this->by->isLead(),
            EventSource::from($stored['source']),
        );
    }

    /**
     * A moment in s since 1970 UTC. A run is read whole at every entry: the calendar's classes would take most of that
     * time.
     */
    public function seconds(string $name): float
    {
        return (float) (new DateTimeImmutable((string) $this->attributes[$name]))->format('U.v');
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return [
            'type' => EventType::class,
            'source' => EventSource::class,
            'data' => 'array',
            'at' => 'immutable_datetime',
            'recorded_at' => 'immutable_datetime',
        ];
    }
}
