<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

/**
 * Joins equal vertices and counts how often each edge is used. Vertices within 1e-6 of the box's diagonal are one:
 * they are kept in a grid of twice that width, and a vertex is looked for in its own cell and in the nearest others.
 * What is kept of one is its number and where in its cell it lies, to a thousandth: 36 bytes, where three coordinates
 * take 48 more.
 */
final class Edges
{
    private const BACKWARD = 1 << 32;

    /** a power of two */
    private const TABLES = 16;

    /** parts of a cell's width in which it is kept where its vertex lies: ten bits an axis */
    private const PARTS = 1024;

    private float $width;

    /** @var array<int, int> the vertex of a cell, and in the lowest thirty bits where in the cell it lies */
    private array $cells = [];

    /**
     * Uses of an edge: one way in the low half, the other way in the high half. In several tables, because one that
     * grows is there twice while it does.
     *
     * @var array<int, array<int, int>>
     */
    private array $uses;

    public function __construct(private readonly Survey $survey)
    {
        $this->width = 2e-6 * $survey->diagonal();
        $this->uses = array_fill(0, self::TABLES, []);
    }

    /**
     * @param  array<int, float>  $facet  nine coordinates at the keys 1 to 9
     * @return bool false when two of its vertices are one point, so that it has no area
     */
    public function add(array $facet): bool
    {
        $a = $this->vertex($facet[1], $facet[2], $facet[3]);
        $b = $this->vertex($facet[4], $facet[5], $facet[6]);
        $c = $this->vertex($facet[7], $facet[8], $facet[9]);
        if ($a === $b || $b === $c || $c === $a) {
            return false;
        }
        $this->use($a, $b);
        $this->use($b, $c);
        $this->use($c, $a);

        return true;
    }

    /**
     * @return array{int, int} edges not shared by exactly two facets; edges both of whose facets run the same way along them
     */
    public function faults(): array
    {
        $open = $turned = 0;
        foreach ($this->uses as $table) {
            foreach ($table as $uses) {
                if ($uses !== self::BACKWARD + 1) {
                    $uses === 2 || $uses === 2 * self::BACKWARD ? $turned++ : $open++;
                }
            }
        }

        return [$open, $turned];
    }

    private function use(int $from, int $to): void
    {
        if ($from < $to) {
            $table = &$this->uses[$from & (self::TABLES - 1)];
            $edge = $from << 32 | $to;
            $table[$edge] = ($table[$edge] ?? 0) + 1;
        } else {
            $table = &$this->uses[$to & (self::TABLES - 1)];
            $edge = $to << 32 | $from;
            $table[$edge] = ($table[$edge] ?? 0) + self::BACKWARD;
        }
    }

    /**
     * One number for a cell. PHP's tables look at the low bits only, and a flat side has all its vertices at one
     * height: so the lowest 20 bits are mixed from all three, in a way that still tells every cell from every other.
     */
    private static function cell(int $i, int $j, int $k): int
    {
        return $i << 40 | $j << 20 | (($k + $i * 73856093 + $j * 19349663) & 0xFFFFF);
    }

    private function vertex(float $x, float $y, float $z): int
    {
        // Half a million cells on a side at most, and one more at each end: 20 bits an axis.
        $i = ($x - $this->survey->low[0]) / $this->width + 1;
        $j = ($y - $this->survey->low[1]) / $this->width + 1;
        $k = ($z - $this->survey->low[2]) / $this->width + 1;
        $a = (int) $i;
        $b = (int) $j;
        $c = (int) $k;
        $cell = self::cell($a, $b, $c);
        if (isset($this->cells[$cell])) {
            return $this->cells[$cell] >> 30;
        }
        $asideA = $a + ($i - $a < 0.5 ? -1 : 1);
        $asideB = $b + ($j - $b < 0.5 ? -1 : 1);
        $asideC = $c + ($k - $c < 0.5 ? -1 : 1);
        foreach ([
            [$asideA, $b, $c],
            [$a, $asideB, $c],
            [$a, $b, $asideC],
            [$asideA, $asideB, $c],
            [$asideA, $b, $asideC],
            [$a, $asideB, $asideC],
            [$asideA, $asideB, $asideC],
        ] as [$nearA, $nearB, $nearC]) {
            $near = $this->cells[self::cell($nearA, $nearB, $nearC)] ?? -1;
            if (
                $near >= 0
                && abs($nearA + self::part($near >> 20) - $i) <= 0.5
                && abs($nearB + self::part($near >> 10) - $j) <= 0.5
                && abs($nearC + self::part($near) - $k) <= 0.5
            ) {
                return $near >> 30;
            }
        }
        $new = count($this->cells);
        $this->cells[$cell] = $new << 30
            | (int) (self::PARTS * ($i - $a)) << 20
            | (int) (self::PARTS * ($j - $b)) << 10
            | (int) (self::PARTS * ($k - $c));

        return $new;
    }

    /** Where in its cell a vertex lies on one axis, in widths of a cell: the middle of its part. */
    private static function part(int $kept): float
    {
        return (($kept & (self::PARTS - 1)) + 0.5) / self::PARTS;
    }
}
