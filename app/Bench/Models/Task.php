<?php

declare(strict_types=1);

namespace App\Bench\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One piece of work for the queue: a calculation or an import that takes longer than a request may.
 *
 * @property string $id
 * @property string $kind
 * @property string $hash
 * @property int $by_id
 * @property array<string, mixed>|null $asked
 * @property string $state
 * @property float $share
 * @property array<string, mixed>|null $answer
 * @property array{field: string, message: string, status?: int}|null $fault
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $ended_at
 * @property User $by
 */
final class Task extends Model
{
    public const CALC = 'calc';

    public const IMPORT = 'import';

    public const LEARN = 'learn';

    public const WAITING = 'waiting';

    public const RUNNING = 'running';

    public const DONE = 'done';

    public const FAILED = 'failed';

    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    public function isOpen(): bool
    {
        return $this->state === self::WAITING || $this->state === self::RUNNING;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'asked' => 'array', 'answer' => 'array', 'fault' => 'array', 'share' => 'float',
            'at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime',
        ];
    }
}
