<?php

declare(strict_types=1);

namespace App\Planning\Support;

use App\Support\Seconds;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/**
 * What is said of a day is said of the whole of it: a screen has its beginning at midnight, at six or at eight,
 * whichever is over, and what was said at seven still holds at nine.
 */
final class WorkDay
{
    /** beginnings that are less apart are of one day, s */
    private const APART_S = 43_200;

    /**
     * @template M of Model
     *
     * @param  Builder<M>  $said  with the day that each was said of
     * @return Builder<M> of this day, as it was said
     */
    public static function of(Builder $said, float $day): Builder
    {
        return $said
            ->where('day', '>', Seconds::moment($day - self::APART_S))
            ->where('day', '<', Seconds::moment($day + self::APART_S))
            ->orderBy('id');
    }
}
