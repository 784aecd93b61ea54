<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/** What a part is cut along, seen from above, in millimetres: a rectangle with round corners, or a circle. */
final readonly class Outline
{
    public function __construct(public float $lengthMm, public float $widthMm, public float $cornerMm)
    {
    }

    public static function round(float $diameterMm): self
    {
        return new self($diameterMm, $diameterMm, $diameterMm / 2);
    }

    public static function rectangle(float $lengthMm, float $widthMm, float $cornerMm): self
    {
        return new self($lengthMm, $widthMm, min($cornerMm, $lengthMm / 2, $widthMm / 2));
    }

    public function isRound(): bool
    {
        return $this->lengthMm === $this->widthMm && $this->cornerMm >= $this->lengthMm / 2;
    }

    /** Length of the cut, mm. */
    public function aroundMm(): float
    {
        return 2 * ($this->lengthMm + $this->widthMm - 4 * $this->cornerMm) + 2 * M_PI * $this->cornerMm;
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
        $many = static fn (float $side, float $paper): int => max(1, (int) ceil(($side + 2 * $marginMm - $overlapMm) / ($paper - $overlapMm) - 1e-9));
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
