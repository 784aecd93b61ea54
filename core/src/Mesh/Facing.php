<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

/**
 * Which way a facet looks against the pull p, by its outward normal n from the order of its vertices (right-hand rule).
 * Draft is asin(n·p). A side has |n·p| < sin 45°; an undercut has n·p < −sin 0.1° and does not lie on the base, the
 * lowest face along the pull (all vertices within 1e-4 of the box's diagonal of it). A female shape is sunk into the
 * mould, so there p is against the pull.
 */
final readonly class Facing
{
    public const OPEN = 0;

    public const SIDE = 1;

    public const UNDERCUT = 2;

    public const BASE = 3;

    private int $axis;

    private float $sign;

    private float $normal;

    private float $floor;

    private float $side;

    private float $under;

    public function __construct(Survey $survey, Pull $pull, bool $male)
    {
        $this->axis = $pull->axis();
        $this->sign = $male ? $pull->sign() : -$pull->sign();
        $this->normal = $survey->insideOut() ? -$this->sign : $this->sign;
        $lowest = $this->sign > 0 ? $survey->low[$this->axis] : -$survey->high[$this->axis];
        $this->floor = $lowest + 1e-4 * $survey->diagonal();
        $this->side = sin(deg2rad(45));
        $this->under = -sin(deg2rad(0.1));
    }

    /**
     * @param  array<int, float>  $facet  nine coordinates at the keys 1 to 9
     * @param  array{float, float, float}  $unit  its unit normal as written
     * @return array{int, float} what it is, and n·p
     */
    public function of(array $facet, array $unit): array
    {
        $toPull = $this->normal * $unit[$this->axis];
        if (
            $toPull < $this->under
            && ! (
                $this->sign * $facet[$this->axis + 1] <= $this->floor
                    && $this->sign * $facet[$this->axis + 4] <= $this->floor
                    && $this->sign * $facet[$this->axis + 7] <= $this->floor
            )
        ) {
            return [self::UNDERCUT, $toPull];
        }
        if ($toPull < $this->side && $toPull > -$this->side) {
            return [self::SIDE, $toPull];
        }

        return [$toPull > 0 ? self::OPEN : self::BASE, $toPull];
    }

    /** @param  array{int, float}  $facing */
    public function isSide(array $facing): bool
    {
        return abs($facing[1]) < $this->side;
    }
}
