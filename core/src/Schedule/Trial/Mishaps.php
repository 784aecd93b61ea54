<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\Trial;

use Dithermic\Core\Schedule\PlanInput;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What of a day comes otherwise than it was planned: hands are faster or slower, a machine falls out, somebody leaves,
 * a piece is no good. It follows from the seed and what it happens to, and not from who decides: two ways to run the
 * same day meet the same.
 *
 * Minutes of hands are spread log-normally, as times of manual work are (Knott & Sury, IIE Transactions 19 (1987) 105,
 * find them skewed to the right, with a coefficient of variation of 0.2 to 0.3).
 */
final readonly class Mishaps
{
    private const SPREAD = 0.25;

    private const NO_GOOD = 0.04;

    /** @var list<array{string, float, float}> station, from, to */
    public array $faults;

    /** @var array<string, float> when somebody leaves, min */
    public array $leave;

    public function __construct(private int $seed, PlanInput $in)
    {
        $dice = new Randomizer(new Mt19937($seed));
        $length = $in->horizon_end - $in->now;
        $faults = [];
        for ($n = $dice->getInt(0, 2); $n > 0; $n--) {
            $station = $in->stations[$dice->getInt(0, count($in->stations) - 1)]->id;
            $from = $in->now + $length * $dice->getInt(10, 70) / 100;
            $faults[] = [$station, $from, $from + $dice->getInt(15, 60)];
        }
        $leave = [];
        if (count($in->people) > 2 && $dice->getInt(0, 3) === 0) {
            $leave[$in->people[$dice->getInt(0, count($in->people) - 1)]->id] = $in->now + $length * $dice->getInt(40, 80) / 100;
        }
        [$this->faults, $this->leave] = [$faults, $leave];
    }

    /** What hands really take over what they usually do. */
    public function pace(Underway $unit, string $which): float
    {
        $dice = $this->of("{$unit->name()} {$unit->at} {$which}");
        // Two uniform numbers make a normal one (Box & Muller, Ann. Math. Stat. 29 (1958) 610).
        $normal = sqrt(-2 * log($dice->getInt(1, 1_000_000) / 1e6)) * cos(2 * M_PI * $dice->getInt(0, 999_999) / 1e6);

        return min(2.5, max(0.6, exp(self::SPREAD * $normal)));
    }

    public function isNoGood(Underway $unit): bool
    {
        return $this->of("{$unit->name()} good")->getInt(1, 1_000_000) <= self::NO_GOOD * 1e6;
    }

    private function of(string $what): Randomizer
    {
        return new Randomizer(new Mt19937($this->seed ^ crc32($what)));
    }
}
