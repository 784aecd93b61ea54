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

    /**
     * When each job of a plan begins and ends, its first piece to its last.
     *
     * @param  list<array<string, mixed>>  $tasks  of schedule.plan
     * @return array<string, array{float, float}> minutes since the day began, by job
     */
    public static function spans(array $tasks): array
    {
        $spans = [];
        foreach ($tasks as $task) {
            [$from, $to] = $spans[$task['job']] ?? [INF, -INF];
            $spans[$task['job']] = [min($from, (float) $task['start']), max($to, (float) $task['end'])];
        }

        return $spans;
    }

    protected function casts(): array
    {
        return [
            'day' => 'immutable_datetime', 'result' => 'array', 'what_if' => 'array', 'at' => 'immutable_datetime',
        ];
    }
}
