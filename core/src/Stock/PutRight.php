<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Calculator\InputError;

/**
 * A mass written in kilograms and booked as grams. The book stays as it was written; a correcting act adds what is
 * missing, line by line.
 */
final class PutRight
{
    private const FACTOR = 1000.0;

    /** so little is hardly ever a delivery, a container or a day's waste, g */
    private const SUSPICIOUS_G = 200.0;

    /** acts whose lines are the mass that somebody typed */
    private const KINDS = ['delivered', 'split', 'shredded', 'merged', 'wasted'];

    public static function offers(string $kind, float $grams): bool
    {
        return in_array($kind, self::KINDS, true) && abs($grams) > 0 && abs($grams) <= self::SUSPICIOUS_G;
    }

    /**
     * What the correcting act adds to each line.
     *
     * @param  list<array{lot: int, name: string, mass_g: float}>  $lines  of the act that was booked wrong
     * @param  array<int, float>  $held  of each lot now, g
     * @return list<float> g, as the lines
     *
     * @throws InputError when it cannot have been meant so
     */
    public static function lines(string $kind, array $lines, array $held): array
    {
        $more = [];
        foreach ($lines as $line) {
            if (! self::offers($kind, $line['mass_g'])) {
                throw new InputError(
                    'act_id',
                    sprintf('%.3g g is nothing that was meant in kilograms: count the lot instead', $line['mass_g']),
                );
            }
            $add = (self::FACTOR - 1) * $line['mass_g'];
            $held[$line['lot']] = ($held[$line['lot']] ?? 0.0) + $add;
            $more[] = $add;
        }
        foreach ($lines as $line) {
            if ($held[$line['lot']] < -0.0005) {
                throw new InputError('act_id', "lot {$line['name']} does not hold so much: count it instead");
            }
        }

        return $more;
    }
}
