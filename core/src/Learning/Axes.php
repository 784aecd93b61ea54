<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Process\Figure;

/**
 * The two settings over which runs are put beside one another: those that were moved most, of those that every run has.
 */
final readonly class Axes
{
    private function __construct(public Figure $x, public Figure $y)
    {
    }

    /**
     * How far a setting was moved is its range over its mean, so that minutes and degrees can be held against each
     * other.
     *
     * @param  list<Figure>  $settings  in the order of the process, which the axes keep
     * @param  list<array<string, float>>  $runs  by figure, each as it was really done
     * @return self|null where runs have not two settings in common
     */
    public static function of(array $settings, array $runs): ?self
    {
        $moved = [];
        foreach ($settings as $i => $setting) {
            $values = array_column($runs, $setting->id);
            if ($values === [] || count($values) < count($runs)) {
                continue;
            }
            $mean = abs(array_sum($values) / count($values));
            $moved[$i] = $mean > 0.0 ? (max($values) - min($values)) / $mean : 0.0;
        }
        arsort($moved);
        $two = array_slice(array_keys($moved), 0, 2);
        sort($two);

        return count($two) < 2 ? null : new self($settings[$two[0]], $settings[$two[1]]);
    }
}
