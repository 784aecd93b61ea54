<?php

declare(strict_types=1);

namespace App\Planning\Models;

use App\Support\Seconds;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A day on which nobody works, or works after all; the newest of a day counts. Append-only.
 *
 * @property int $id
 * @property CarbonImmutable $day its beginning, as the plan has it
 * @property bool $off
 * @property string $why
 */
final class DayOff extends Model
{
    /** so many days ahead are looked at */
    public const AHEAD = 14;

    public $timestamps = false;

    protected $table = 'days_off';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /**
     * @param  float  $from  beginning of a day, s since 1970 UTC
     * @return array<int, string> why, by days from that one on: 0 is the day itself
     */
    public static function from(float $from): array
    {
        $days = self::query()
            ->where('day', '>=', Seconds::moment($from - 43_200))
            ->where('day', '<', Seconds::moment($from + 86_400 * self::AHEAD))
            ->orderBy('id')
            ->get();
        $off = [];
        foreach ($days as $day) {
            // By the day, not by the hour: clocks are put forward and back.
            $ahead = (int) round((Seconds::of($day->day) - $from) / 86_400);
            unset($off[$ahead]);
            if ($day->off) {
                $off[$ahead] = $day->why;
            }
        }
        ksort($off);

        return $off;
    }

    protected function casts(): array
    {
        return ['day' => 'immutable_datetime', 'at' => 'immutable_datetime'];
    }
}
