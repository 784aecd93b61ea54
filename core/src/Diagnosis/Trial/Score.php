<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis\Trial;

use Dithermic\Core\Diagnosis\RankedCause;
use Dithermic\Core\Diagnosis\RankResult;

/** Where the true cause stood, of all bad runs and by trouble. */
final class Score
{
    public int $runs = 0;

    public int $first = 0;

    public int $second = 0;

    public int $asked = 0;

    /** before anybody was asked */
    public int $firstUnasked = 0;

    /** @var array<string, array{runs: int, first: int, second: int}> by "defect, cause" */
    public array $of = [];

    /** @param  list<RankResult>  $told  before the first question and after each */
    public function add(Trouble $trouble, array $told): void
    {
        $place = self::place($trouble, $told[count($told) - 1]);
        $this->runs++;
        $this->first += $place === 0 ? 1 : 0;
        $this->second += $place <= 1 ? 1 : 0;
        $this->firstUnasked += self::place($trouble, $told[0]) === 0 ? 1 : 0;
        $this->asked += count($told) - 1;
        $of = &$this->of["{$trouble->defect}, {$trouble->cause}"];
        $of = [
            'runs' => ($of['runs'] ?? 0) + 1,
            'first' => ($of['first'] ?? 0) + ($place === 0 ? 1 : 0),
            'second' => ($of['second'] ?? 0) + ($place <= 1 ? 1 : 0),
        ];
    }

    private static function place(Trouble $trouble, RankResult $told): int
    {
        $ids = array_map(static fn (RankedCause $c): string => $c->id, $told->causes);

        $place = array_search($trouble->cause, $ids, true);

        return $place === false ? PHP_INT_MAX : (int) $place;
    }
}
