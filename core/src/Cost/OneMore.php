<?php

declare(strict_types=1);

namespace Dithermic\Core\Cost;

use Dithermic\Core\Calculator\Calc;

/**
 * What an hour costs that one more of something wins: its price straight over its life, with upkeep, and what it costs
 * each day that is worked. No interest, and nothing for what the hour is used for: those are the shop's own. Ten
 * years, three per cent of upkeep and 230 days are our judgement where nothing is said.
 */
#[Calc('cost.one_more', 'what an hour costs that one more machine or pair of hands wins')]
final readonly class OneMore
{
    public function __invoke(OneMoreInput $in): OneMoreResult
    {
        $year = $in->price / $in->life_years + $in->price * $in->upkeep_pct / 100 + $in->price_day * $in->days_year;
        $hours = $in->sooner_min / 60 * $in->days_year;
        $result = new OneMoreResult($year / $in->days_year, $year, $hours, $hours > 0 ? $year / $hours : null);

        return $result->explain($hours > 0
            ? sprintf('%.2f on each of %d days, and %.0f h won in a year: %.2f for each hour.', $result->per_day, $in->days_year, $hours, $year / $hours)
            : sprintf('%.2f on each of %d days, and nothing won.', $result->per_day, $in->days_year));
    }
}
