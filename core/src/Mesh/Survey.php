<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

use Dithermic\Core\Calculator\InputError;

/**
 * The first reading of a mesh: its box, and by the sign of its volume whether it was written inside out. In file units.
 */
final readonly class Survey
{
    /**
     * @param  list<float>  $low  x, y, z
     * @param  list<float>  $high  x, y, z
     */
    private function __construct(public int $facets, public array $low, public array $high, public float $volume)
    {
    }

    /** @throws InputError file, when it has no facets or no size */
    public static function of(StlFile $file): self
    {
        $facets = 0;
        $lowX = $lowY = $lowZ = INF;
        $highX = $highY = $highZ = -INF;
        $six = 0.0;
        $ox = $oy = $oz = 0.0;
        foreach ($file->facets() as [
            1 => $ax,
            2 => $ay,
            3 => $az,
            4 => $bx,
            5 => $by,
            6 => $bz,
            7 => $cx,
            8 => $cy,
            9 => $cz,
        ]) {
            // Volumes are taken from the first vertex, so that a part far from the origin loses no digits.
            if ($facets++ === 0) {
                [$ox, $oy, $oz] = [$ax, $ay, $az];
            }
            $lowX = min($lowX, $ax, $bx, $cx);
            $highX = max($highX, $ax, $bx, $cx);
            $lowY = min($lowY, $ay, $by, $cy);
            $highY = max($highY, $ay, $by, $cy);
            $lowZ = min($lowZ, $az, $bz, $cz);
            $highZ = max($highZ, $az, $bz, $cz);
            $ax -= $ox;
            $bx -= $ox;
            $cx -= $ox;
            $ay -= $oy;
            $by -= $oy;
            $cy -= $oy;
            $az -= $oz;
            $bz -= $oz;
            $cz -= $oz;
            $six += $ax * ($by * $cz - $bz * $cy) + $ay * ($bz * $cx - $bx * $cz) + $az * ($bx * $cy - $by * $cx);
        }
        if ($facets === 0) {
            throw new InputError('file', 'has no facets');
        }
        $survey = new self($facets, [$lowX, $lowY, $lowZ], [$highX, $highY, $highZ], $six / 6);
        if ($survey->diagonal() <= 0.0) {
            throw new InputError('file', 'has no size: every vertex is the same point');
        }

        return $survey;
    }

    public function diagonal(): float
    {
        return sqrt(
            ($this->high[0] - $this->low[0]) ** 2
            + ($this->high[1] - $this->low[1]) ** 2
            + ($this->high[2] - $this->low[2]) ** 2,
        );
    }

    public function insideOut(): bool
    {
        return $this->volume < 0;
    }
}
