<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

use Dithermic\Core\Numerics\Effort;

/**
 * A quarter of a rectangular bar cooling from one temperature in a bath: the two-dimensional sibling of Stack, with the
 * same enthalpy and freezing curve. Explicit in time at the stability limit dt = ρ·c·dx²·dy²/(2k(dx² + dy²)): every
 * cell cools along one curve, so temperature and conductivity are tabulated against enthalpy once, and heat is
 * conserved to rounding. The middle of the bar is at the origin; faces at the far ends.
 */
final class Grid
{
    private const TABLE = 3000;

    /** times less work for a cell than in an implicit stack */
    private const CHEAPER = 10;

    public float $time = 0.0;

    /** heat let in, J per m of bar and quarter */
    public float $energyIn = 0.0;

    /** @var array<int, float> J/kg, row by row from the middle */
    private array $h;

    /** @var list<float> */
    private array $tTable = [];

    /** @var list<float> */
    private array $kTable = [];

    private readonly float $hLow;

    private readonly float $perStep;

    private readonly float $dx;

    private readonly float $dy;

    private readonly float $dt;

    public function __construct(
        private readonly Substance $s, float $width, float $height, public readonly int $nx, public readonly int $ny,
        private readonly float $start, private readonly float $bath, private readonly float $conductance,
    ) {
        $this->dx = $width / 2 / $nx;
        $this->dy = $height / 2 / $ny;
        $hStart = $s->enthalpy($start);
        $g = $s->fluidFraction($start);
        // The freezing curve from the start down to a little under the bath.
        $this->hLow = $s->cSolid * min($bath, $start) - 0.02 * abs($hStart) - 1e4 - (
            $s->hysteresis ? 20 * ($s->cMelt + $s->cSolid) : 0
        );
        $this->perStep = self::TABLE / ($hStart - $this->hLow);
        $stiffest = 0.0;
        for ($i = 0; $i <= self::TABLE + 1; $i++) {
            $h = $this->hLow + $i / $this->perStep;
            if ($s->hysteresis && $g > 0) {
                [$t, $slope, $f] = $s->freezing($h, $start, $hStart, $g);
            } else {
                $t = $s->temperature($h);
                $f = $s->fluidFraction($t);
                $slope = 1 / ($s->cSolid + ($s->cMelt - $s->cSolid) * $f);
            }
            $k = $s->kSolid + ($s->kMelt - $s->kSolid) * $f;
            $this->tTable[] = $t;
            $this->kTable[] = $k;
            $stiffest = max($stiffest, $k * $slope);
        }
        $this->dt = 0.9 * $s->density / (2 * $stiffest * (1 / $this->dx ** 2 + 1 / $this->dy ** 2));
        $this->h = array_fill(0, $nx * $ny, $hStart);
    }

    /** Goes on until $until answers true or the time is over. @param  callable(self): bool  $until */
    public function run(float $end, callable $until): void
    {
        while ($this->time < $end - 1e-9) {
            $this->step(min($this->dt, $end - $this->time));
            if ($until($this)) {
                return;
            }
        }
    }

    /** Temperature of a cell, from the middle of the bar. */
    public function at(int $i, int $j): float
    {
        return $this->look($this->tTable, $this->h[$j * $this->nx + $i]);
    }

    /** @return callable(): list<list<float>> °C row by row, from the middle outward, as it is now, whenever it is asked */
    public function section(): callable
    {
        $h = $this->h;

        return fn (): array => array_map(
            static fn (array $row): array => array_values($row),
            array_chunk(array_map(fn (float $h): float => $this->look($this->tTable, $h), $h), max(1, $this->nx)),
        );
    }

    /** The very middle, by the parabolas with no slope there. */
    public function core(): float
    {
        $along = static fn (float $a, float $b): float => (9 * $a - $b) / 8;

        return $along($along($this->at(0, 0), $this->at(1, 0)), $along($this->at(0, 1), $this->at(1, 1)));
    }

    /**
     * Temperatures from the middle to the middle of the face across the height, with their distance from the middle, m.
     *
     * @return non-empty-list<array{float, float}>
     */
    public function across(): array
    {
        $points = [[0.0, $this->core()]];
        for ($j = 0; $j < $this->ny; $j++) {
            $points[] = [($j + 0.5) * $this->dy, (9 * $this->at(0, $j) - $this->at(1, $j)) / 8];
        }
        $k = $this->look($this->kTable, $this->h[($this->ny - 1) * $this->nx]);
        $last = $points[$this->ny][1];
        $points[] = [
            $this->ny * $this->dy,
            $last + ($this->bath - $last) * ($this->dy / 2 / $k) / ($this->dy / 2 / $k + 1 / $this->conductance),
        ];

        return $points;
    }

    /** Heat let in less enthalpy gained, of the larger, %. */
    public function energyErrorPct(): float
    {
        $gained = 0.0;
        $h0 = $this->s->enthalpy($this->start);
        foreach ($this->h as $h) {
            $gained += ($h - $h0) * $this->s->density * $this->dx * $this->dy;
        }
        $larger = max(abs($gained), abs($this->energyIn));

        return $larger < 1 ? 0.0 : 100 * ($this->energyIn - $gained) / $larger;
    }

    private function step(float $dt): void
    {
        $nx = $this->nx;
        $ny = $this->ny;
        Effort::spend(max(1, intdiv($nx * $ny, self::CHEAPER)));
        $t = $k = [];
        $tt = $this->tTable;
        $kt = $this->kTable;
        $low = $this->hLow;
        $per = $this->perStep;
        foreach ($this->h as $c => $h) {
            $x = ($h - $low) * $per;
            $i = (int) $x;
            $u = $x - $i;
            $t[$c] = $tt[$i] + ($tt[$i + 1] - $tt[$i]) * $u;
            $k[$c] = $kt[$i] + ($kt[$i + 1] - $kt[$i]) * $u;
        }
        $h = $this->h;
        $mass = $dt / ($this->s->density * $this->dx * $this->dy);
        $rx = $this->dy / $this->dx / 2 * $mass;
        $ry = $this->dx / $this->dy / 2 * $mass;
        $in = 0.0;
        for ($j = 0; $j < $ny; $j++) {
            for ($i = 0; $i < $nx; $i++) {
                $c = $j * $nx + $i;
                if ($i < $nx - 1) {
                    $q = $rx * ($k[$c] + $k[$c + 1]) * ($t[$c] - $t[$c + 1]);
                    $h[$c] -= $q;
                    $h[$c + 1] += $q;
                } else {
                    $q = $mass * $this->dy * ($this->bath - $t[$c]) / ($this->dx / 2 / $k[$c] + 1 / $this->conductance);
                    $h[$c] += $q;
                    $in += $q;
                }
                if ($j < $ny - 1) {
                    $q = $ry * ($k[$c] + $k[$c + $nx]) * ($t[$c] - $t[$c + $nx]);
                    $h[$c] -= $q;
                    $h[$c + $nx] += $q;
                } else {
                    $q = $mass * $this->dx * ($this->bath - $t[$c]) / ($this->dy / 2 / $k[$c] + 1 / $this->conductance);
                    $h[$c] += $q;
                    $in += $q;
                }
            }
        }
        $this->h = $h;
        $this->energyIn += $in * $this->s->density * $this->dx * $this->dy;
        $this->time += $dt;
    }

    /** @param  list<float>  $table */
    private function look(array $table, float $h): float
    {
        $x = ($h - $this->hLow) * $this->perStep;
        $i = (int) $x;

        return $table[$i] + ($table[$i + 1] - $table[$i]) * ($x - $i);
    }
}
