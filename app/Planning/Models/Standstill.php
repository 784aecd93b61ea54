<?php

declare(strict_types=1);

namespace App\Planning\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * When a machine stands on a day because somebody works on it; the newest of a machine counts; from and to alike: it
 * does not. Append-only.
 *
 * @property int $id
 * @property int $machine_id
 * @property CarbonImmutable $day
 * @property CarbonImmutable $from_at
 * @property CarbonImmutable $to_at
 * @property string $why
 */
final class Standstill extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    protected function casts(): array
    {
        return [
            'day' => 'immutable_datetime',
            'from_at' => 'immutable_datetime',
            'to_at' => 'immutable_datetime',
            'at' => 'immutable_datetime',
        ];
    }
}
