<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** What a part is cut along, seen from above, in millimetres: a rectangle with round corners, or a circle. */
final readonly class Outline
{
    public function __construct(public float $lengthMm, public float $widthMm, public float $cornerMm)
    {
    }

    /** Round where it has a diameter, else by its sides; null where neither is known. */
    public static function of(?float $diameterMm, ?float $lengthMm, ?float $widthMm, ?float $cornerMm): ?self
    {
        return match (true) {
            $diameterMm !== null => new self($diameterMm, $diameterMm, $diameterMm / 2),
            $lengthMm !== null && $widthMm !== null => new self(
                $lengthMm,
                $widthMm,
                min($cornerMm ?? 0.0, $lengthMm / 2, $widthMm / 2),
            ),
            default => null,
        };
    }

    /** What lies inside it, mm². */
    public function areaMm2(): float
    {
        return $this->lengthMm * $this->widthMm - (4 - M_PI) * $this->cornerMm ** 2;
    }

    /**
     * Sheets of paper that it takes at its true size, row by row: where each begins on the outline, mm.
     *
     * @param  float  $overlapMm  that neighbours share, to be laid over one another
     * @return list<array{row: int, column: int, x: float, y: float}>
     */
    public function tiles(float $paperLengthMm, float $paperWidthMm, float $marginMm, float $overlapMm): array
    {
        $many = static fn (float $side, float $paper): int => max(
            1,
            (int) ceil(($side + 2 * $marginMm - $overlapMm) / ($paper - $overlapMm) - 1e-9),
        );
        $tiles = [];
        for ($row = 0; $row < $many($this->widthMm, $paperWidthMm); $row++) {
            for ($column = 0; $column < $many($this->lengthMm, $paperLengthMm); $column++) {
                $tiles[] = [
                    'row' => $row + 1,
                    'column' => $column + 1,
                    'x' => -$marginMm + $column * ($paperLengthMm - $overlapMm),
                    'y' => -$marginMm + $row * ($paperWidthMm - $overlapMm),
                ];
            }
        }

        return $tiles;
    }
}
