<?php

declare(strict_types=1);

namespace App\Planning\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * The newest plan of a day as it was shown; the next one stays near it. It is kept for that alone.
 *
 * @property int $id
 * @property CarbonImmutable $day
 * @property string $hash of what was asked
 * @property array<string, mixed> $result
 * @property list<string> $what_if
 * @property CarbonImmutable $at
 */
final class DayPlanned extends Model
{
    public $timestamps = false;

    protected $table = 'day_plans';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    protected function casts(): array
    {
        return [
            'day' => 'immutable_datetime', 'result' => 'array', 'what_if' => 'array', 'at' => 'immutable_datetime',
        ];
    }
}
