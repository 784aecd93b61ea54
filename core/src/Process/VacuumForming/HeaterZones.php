<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Process\Wear;

/**
 * Which zone of a heater is off, by the wall at one and the same place of a part's four corners: a sheet is drawn out
 * more where it is hotter, so that the wall is thick over a cold zone. A zone is named where its corner is off the mean
 * of the four by more than twice the standard error over the parts, and by more than a gauge and a hand make.
 *
 * How much wall a per cent of power gives depends on polymer and draw, and nobody knows it beforehand. The first step
 * is half of what the wall is off: steps of half settle wherever a per cent of power moves the wall by less than four,
 * and never swing further than they came. It is our judgement; the next parts say how it went.
 */
final readonly class HeaterZones
{
    /** parts that tell */
    public const LEAST = 4;

    /** of the corners' mean: less is the gauge and the hand, % */
    private const WORTH_PCT = 3.0;

    /** one step of power changes no more, % */
    private const MOST_PCT = 5.0;

    private const CORNERS = [
        'front_left_mm' => 'front left',
        'front_right_mm' => 'front right',
        'back_left_mm' => 'back left',
        'back_right_mm' => 'back right',
    ];

    /** @return list<string> of an inspection's values */
    public static function fields(): array
    {
        return array_keys(self::CORNERS);
    }

    /**
     * @param  list<array<string, float>>  $parts  walls by corner, mm; those that lack one tell nothing
     * @param  int|null  $across  zones from left to right; null where it is not known
     * @param  int|null  $along  zones from front to back
     */
    public static function off(array $parts, ?int $across, ?int $along): ?Wear
    {
        $over = [];
        foreach ($parts as $walls) {
            $walls = array_intersect_key($walls, self::CORNERS);
            if (
                count($walls) < count(self::CORNERS)
                || array_filter($walls, static fn (float $wall): bool => $wall <= 0) !== []
            ) {
                continue;
            }
            $mean = array_sum($walls) / count($walls);
            foreach ($walls as $corner => $wall) {
                $over[$corner][] = 100 * ($wall / $mean - 1);
            }
        }
        $count = count($over['front_left_mm'] ?? []);
        if ($count < self::LEAST) {
            return null;
        }
        $worst = null;
        foreach ($over as $corner => $shares) {
            $mean = array_sum($shares) / $count;
            $squares = array_sum(array_map(static fn (float $share): float => ($share - $mean) ** 2, $shares));
            $error = sqrt($squares / ($count - 1) / $count);
            if (abs($mean) > max(self::WORTH_PCT, 2 * $error) && abs($mean) > abs($worst[1] ?? 0.0)) {
                $worst = [$corner, $mean];
            }
        }
        if ($worst === null) {
            return null;
        }
        [$corner, $mean] = $worst;
        $step = max(1.0, min(self::MOST_PCT, round(abs($mean) / 2)));

        return new Wear(
            ucfirst(self::zone($corner, $across, $along)).($mean > 0 ? ' is cold' : ' is hot'),
            sprintf(
                'The wall there is %.0f %% %s than the mean of the four corners, over %d parts: %s%.0f %% of its power as a first step, then measure the next parts.',
                abs($mean),
                $mean > 0 ? 'thicker' : 'thinner',
                $count,
                $mean > 0 ? '+' : '−',
                $step,
            ),
        );
    }

    /** Zones are counted from the front left, row by row to the back. */
    private static function zone(string $corner, ?int $across, ?int $along): string
    {
        $name = self::CORNERS[$corner];
        if ($across === null || $along === null) {
            return "heater zone over the {$name}";
        }
        $right = str_contains($corner, 'right') ? $across - 1 : 0;
        $back = str_contains($corner, 'back') ? $along - 1 : 0;

        return sprintf('heater zone %d (%s)', 1 + $back * $across + $right, $name);
    }
}
