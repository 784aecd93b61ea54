<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

use Dithermic\Core\Numerics\Effort;

/**
 * Transient conduction through layers in one dimension, slab or cylinder, in mass coordinates:
 *
 *     c(T)·∂T/∂t = ∂/∂m (ρ·k·∂T/∂m),   dm = ρ·dx
 *
 * Finite volumes. The unknown is specific enthalpy h (J/kg), so melting and freezing conserve energy however narrow
 * the range; T(h) follows the heating curve, or, in a cell cooling from a hottest temperature, the freezing curve that
 * starts there. Flake beds close as they get hot: k = ks^(1−φ)·kgas^φ (geometric mean) and ρ = ρs(1−φ).
 *
 * Time: the L-stable, stiffly accurate two-stage SDIRK of Alexander (1977), second order, γ = 1 − 1/√2, with Newton's
 * method on each stage and the Thomas algorithm for its tridiagonal system (Patankar 1980 for the discretisation).
 * The step follows the fastest cell. Both stages are in flux form, so the enthalpy gained equals the heat let in.
 *
 * Units: m, kg/m2, W/m2, J/m2, °C, s. A cylinder's quantities are per m2 of its outer face; its rings keep their radii
 * and count the closed mass (a barrel is topped up along its axis), and only k follows the pores.
 */
final class Stack
{
    public const GAMMA = 0.2928932188134524;

    private const GROWTH = 2.414213562373095; // (1 − γ)/γ

    private const TOLERANCE_K = 2e-3;

    /** @var array<int, float> cell temperatures, left (axis) to right */
    public array $t = [];

    public float $time = 0.0;

    /** heat let in through both faces, J/m2 */
    public float $energyIn = 0.0;

    /** heat let in through the right face alone, J/m2 */
    public float $energyRight = 0.0;

    public int $steps = 0;

    public int $solves = 0;

    private int $n = 0;

    /** @var list<array{Substance, int, int}> substance, first cell, past the last */
    private array $layers = [];

    /** @var list<float> kg/m2 */
    private array $m = [];

    /** @var array<int, float> J/kg */
    private array $h = [];

    /** @var array<int, float> hottest so far, °C, with the enthalpy and the fluid fraction reached there */
    private array $peakT = [];

    /** @var array<int, float> */
    private array $peakH = [];

    /** @var array<int, float> */
    private array $peakF = [];

    /** @var list<float> half-cell length over area, towards the left and the right, before the pores stretch it */
    private array $left = [];

    /** @var list<float> */
    private array $right = [];

    /** @var array<int, float> contact resistance to the next cell, m2K/W */
    private array $contact = [];

    /**
     * Between cells of one layer the conductance takes the mean of both cells' ρk, the trapezoid of Kirchhoff's
     * integral ∫ρk dT: a closing bed changes k fivefold from cell to cell and the harmonic mean would hold heat back.
     *
     * @var list<bool>
     */
    private array $inside = [];

    /**
     * Shares of both cells in that mean, from the lengths (a ring's: the logs of its radii) either side of their
     * border.
     *
     * @var array<int, float>
     */
    private array $half = [];

    /** @var array<int, float> */
    private array $other = [];

    /** @var list<float> ring widths of a cylinder, m */
    private array $width = [];

    private float $hStart = 0.0;

    /** coldest and hottest cell as the present faces were met: the middle never lies beyond them and the cells */
    private float $coldestMet = 0.0;

    private float $hottestMet = 0.0;

    private float $dt = 0.0;

    /** @var array<int, float> scratch of the stage: dT/dh and the half-cell resistances */
    private array $slope = [];

    /** @var array<int, float> */
    private array $rLeft = [];

    /** @var array<int, float> */
    private array $rRight = [];

    /**
     * @param  list<Layer>  $layers  from left (the axis of a cylinder) to right
     * @param  float  $stepK  the change of temperature that a step aims at
     */
    public function __construct(
        array $layers,
        public Boundary $leftFace,
        public Boundary $rightFace,
        private readonly bool $cylinder = false,
        private readonly float $stepK = 4.0,
        private readonly float $stepScale = 1.0,
    ) {
        $outer = 0.0;
        foreach ($layers as $layer) {
            $outer += $layer->thickness;
        }
        $at = 0.0;
        foreach ($layers as $layer) {
            $from = $this->n;
            $s = $layer->substance;
            $dx = $layer->thickness / $layer->cells;
            for ($i = 0; $i < $layer->cells; $i++) {
                $inner = $at + $i * $dx;
                $edge = $inner + $dx;
                $middle = $inner + $dx / 2;
                if ($cylinder) {
                    $this->width[] = $dx;
                    $this->m[] = $s->density * ($edge * $edge - $inner * $inner) / (2 * $outer);
                    $this->left[] = $inner > 0 ? $outer * log($middle / $inner) : INF;
                    $this->right[] = $outer * log($edge / $middle);
                } else {
                    // thickness is as laid, pores included; the half length is that of the closed solid
                    $solid = $dx * (1 - $s->porosity);
                    $this->m[] = $s->density * $solid;
                    $this->left[] = $this->right[] = $solid / 2;
                }
                $this->t[] = $layer->initial;
                $this->h[] = $this->peakH[] = $s->enthalpy($layer->initial);
                $this->peakT[] = $layer->initial;
                $this->peakF[] = $s->fluidFraction($layer->initial);
                $this->contact[] = 0.0;
                $this->inside[] = $i < $layer->cells - 1;
                $this->n++;
            }
            $this->contact[$this->n - 1] = $layer->contactNext === null ? 0.0 : 1 / $layer->contactNext;
            $this->layers[] = [$s, $from, $this->n];
            $at += $layer->thickness;
        }
        for ($i = 0; $i < $this->n - 1; $i++) {
            $length = 2 * ($this->right[$i] + $this->left[$i + 1]);
            $this->half[$i] = $this->right[$i] / $length;
            $this->other[$i] = $this->left[$i + 1] / $length;
        }
        $this->hStart = $this->enthalpy();
        $this->begin();
    }

    /** Starts anew from the enthalpies held, against the present faces. */
    private function begin(): void
    {
        $this->properties($this->h);
        $this->faces(0.0);
        $this->dt = $this->firstStep();
        $this->coldestMet = min($this->t ?: [0.0]);
        $this->hottestMet = max($this->t ?: [0.0]);
    }

    public function __clone()
    {
        $this->leftFace = clone $this->leftFace;
        $this->rightFace = clone $this->rightFace;
    }

    /**
     * Puts something else against the right face (and the left), as when a stack goes from the hot press to the cold
     * one.
     */
    public function meet(Boundary $right, ?Boundary $left = null): void
    {
        $this->rightFace = $right;
        $this->leftFace = $left ?? $this->leftFace;
        $this->begin();
    }

    /**
     * Goes on until `end` (s on this stack's clock), calling $watch after every step with the time before it;
     * stops early when it answers true.
     *
     * @param  null|callable(self, float): bool  $watch
     */
    public function run(float $end, ?callable $watch = null): void
    {
        while ($this->time < $end - 1e-9) {
            $dt = min($this->dt, $end - $this->time);
            if ($end - $this->time - $dt < 0.3 * $dt) {
                $dt = $dt >= $end - $this->time - 1e-12 ? $dt : ($end - $this->time) / 2;
            }
            $before = $this->time;
            $this->step($dt);
            if ($watch !== null && $watch($this, $before)) {
                return;
            }
        }
    }

    /** Enthalpy held, J/m2. */
    public function enthalpy(): float
    {
        $sum = 0.0;
        foreach ($this->m as $i => $m) {
            $sum += $m * $this->h[$i];
        }

        return $sum;
    }

    /** Enthalpy gained since the start, J/m2. */
    public function gained(): float
    {
        return $this->enthalpy() - $this->hStart;
    }

    /** Heat let in less enthalpy gained, in per cent of the larger; 0 when both are below 1 J/m2. */
    public function energyErrorPct(): float
    {
        $gained = $this->gained();
        $larger = max(abs($gained), abs($this->energyIn));

        return $larger < 1.0 ? 0.0 : 100 * ($this->energyIn - $gained) / $larger;
    }

    /** Hottest and coldest of everything in the stack, faces counted. */
    public function hottest(): float
    {
        return max($this->leftSurface(), $this->rightSurface(), ...$this->t);
    }

    public function coldest(): float
    {
        return min($this->leftSurface(), $this->rightSurface(), ...$this->t);
    }

    /**
     * Gives one layer's cells the temperatures of a body that was somewhere else meanwhile; as if heated to them.
     *
     * @param  list<float>  $temperatures
     */
    public function replace(int $layer, array $temperatures): void
    {
        [$s, $from] = $this->layers[$layer];
        foreach ($temperatures as $i => $c) {
            $this->t[$from + $i] = $this->peakT[$from + $i] = $c;
            $this->h[$from + $i] = $this->peakH[$from + $i] = $s->enthalpy($c);
            $this->peakF[$from + $i] = $s->fluidFraction($c);
        }
        $this->begin();
    }

    public function meanTemperature(): float
    {
        $sum = 0.0;
        $mass = 0.0;
        foreach ($this->m as $i => $m) {
            $sum += $m * $this->t[$i];
            $mass += $m;
        }

        return $sum / $mass;
    }

    public function leftSurface(): float
    {
        // A mid-plane or an axis: the parabola with no slope there, through the first two cells.
        if ($this->leftFace instanceof Insulated) {
            return $this->n > 1 && ($this->layers[0][2] > 1) ? $this->middle($this->t[0], $this->t[1]) : $this->t[0];
        }

        return $this->leftFace->surface;
    }

    public function rightSurface(): float
    {
        if ($this->rightFace instanceof Insulated) {
            $last = $this->n - 1;

            return $last > $this->layers[count($this->layers) - 1][1]
                ? $this->middle($this->t[$last], $this->t[$last - 1])
                : $this->t[$last];
        }

        return $this->rightFace->surface;
    }

    /**
     * The parabola with no slope at the middle, through the two cells next to it. While a sharp front has not come
     * there it swings past what any cell has had: held to what can be.
     */
    private function middle(float $first, float $second): float
    {
        $middle = (9 * $first - $second) / 8;

        return match (true) {
            $middle < $first => max($middle, min($this->coldestMet, $first)),
            default => min($middle, max($this->hottestMet, $first)),
        };
    }

    /** The temperature of a layer's own surface towards the next layer. */
    public function surfaceTowardsNext(int $layer): float
    {
        $i = $this->layers[$layer][2] - 1;
        $g = $this->t[$i + 1] - $this->t[$i];

        return $this->t[$i] + $g * $this->rRight[$i] / ($this->rRight[$i] + $this->contact[$i] + $this->rLeft[$i + 1]);
    }

    /** The hottest that any cell of a layer has been, °C. */
    public function hottestSoFar(int $layer): float
    {
        return max(
            array_slice($this->peakT, $this->layers[$layer][1], $this->layers[$layer][2] - $this->layers[$layer][1])
                ?: [-INF],
        );
    }

    /** @return list<float> temperatures of one layer's cells */
    public function layerTemperatures(int $layer): array
    {
        return array_values(array_slice(
            $this->t,
            $this->layers[$layer][1],
            $this->layers[$layer][2] - $this->layers[$layer][1],
        ));
    }

    /** @return non-empty-list<float> edges of the cells from the left face, m, as thick as they are now */
    public function edges(): array
    {
        $edges = [0.0];
        foreach ($this->layers as [$s, $from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $edges[] = end($edges) + $this->cellThickness($s, $i);
            }
        }

        return $edges;
    }

    public function thickness(?int $layer = null): float
    {
        $sum = 0.0;
        foreach ($this->layers as $index => [$s, $from, $to]) {
            for ($i = $from; $i < $to && ($layer === null || $layer === $index); $i++) {
                $sum += $this->cellThickness($s, $i);
            }
        }

        return $sum;
    }

    private function cellThickness(Substance $s, int $i): float
    {
        return $this->cylinder ? $this->width[$i] : 2 * $this->left[$i] / (1 - $s->porosityAfter($this->peakT[$i]));
    }

    private function step(float $dt): void
    {
        $old = $this->h;
        $oldT = $this->t;
        $leftFace = $this->leftFace;
        $rightFace = $this->rightFace;
        $solved = false;
        for ($try = 0; $try < 12; $try++) {
            $tau = self::GAMMA * $dt;
            $leftFace->beginStage(false);
            $rightFace->beginStage(false);
            $first = $this->stage($old, $tau, $old);
            if ($first !== null) {
                $ql = $leftFace->flux;
                $qr = $rightFace->flux;
                $base = [];
                $guess = [];
                foreach ($old as $i => $h) {
                    $change = $first[$i] - $h;
                    $base[] = $h + self::GROWTH * $change;
                    $guess[] = $h + $change / self::GAMMA;
                }
                $leftFace->beginStage(true);
                $rightFace->beginStage(true);
                $second = $this->stage($base, $tau, $guess) ?? $this->stage($base, $tau, $first);
                if ($second !== null) {
                    $this->h = $second;
                    $this->energyIn += $dt * (
                        (1 - self::GAMMA) * ($ql + $qr) + self::GAMMA * ($leftFace->flux + $rightFace->flux)
                    );
                    $this->energyRight += $dt * ((1 - self::GAMMA) * $qr + self::GAMMA * $rightFace->flux);
                    $solved = true;
                    break;
                }
            }
            $leftFace->dropStep();
            $rightFace->dropStep();
            $dt /= 4;
        }
        if (! $solved) {
            throw new NoSolution('the conduction solver found no solution; check the properties given');
        }
        $leftFace->endStep();
        $rightFace->endStep();
        $this->time += $dt;
        $this->steps++;

        $fastest = 0.0;
        $h = $this->h;
        $t = $this->t;
        foreach ($this->layers as [$s, $from, $to]) {
            $scale = 0.25 / $s->cMelt;
            for ($i = $from; $i < $to; $i++) {
                $move = abs($t[$i] - $oldT[$i]);
                $latent = abs($h[$i] - $old[$i]) * $scale;
                if ($latent > $move) {
                    $move = $latent;
                }
                if ($move > $fastest) {
                    $fastest = $move;
                }
                if ($t[$i] > $this->peakT[$i]) {
                    $this->peakT[$i] = $t[$i];
                    $this->peakH[$i] = $h[$i];
                    $this->peakF[$i] = $s->fluidFraction($t[$i]);
                }
            }
        }
        $wanted = $this->stepK * $this->stepScale;
        $this->dt = $dt * max(0.4, min(1.7, $wanted / max($fastest, 1e-9)));
    }

    /**
     * Solves m·(h − base) = tau·(net flux) for h, or gives null when Newton's method does not settle.
     *
     * @param  array<int, float>  $base
     * @param  array<int, float>  $guess
     * @return array<int, float>|null
     */
    private function stage(array $base, float $tau, array $guess): ?array
    {
        $n = $this->n;
        $m = $this->m;
        $contact = $this->contact;
        $inside = $this->inside;
        $half = $this->half;
        $other = $this->other;
        $h = $guess;
        $this->properties($h);
        for ($iteration = 0; $iteration < 14; $iteration++) {
            $this->solves++;
            Effort::spend($n);
            $t = $this->t;
            $slope = $this->slope;
            $rLeft = $this->rLeft;
            $rRight = $this->rRight;
            $this->faces($tau);
            // Assemble and eliminate downward in one sweep.
            $upper = [];
            $rhs = [];
            $qIn = $this->leftFace->flux;
            $gIn = 0.0;
            $ownIn = $this->leftFace->slope;
            $slopeBefore = 0.0;
            for ($i = 0; $i < $n; $i++) {
                if ($i < $n - 1) {
                    $g = $inside[$i]
                        ? ($half[$i] / $rRight[$i] + $other[$i] / $rLeft[$i + 1])
                        : 1 / ($rRight[$i] + $contact[$i] + $rLeft[$i + 1]);
                    $qOut = $g * ($t[$i] - $t[$i + 1]);
                    $diagonal = $m[$i] + $tau * ($gIn + $g - $ownIn) * $slope[$i];
                } else {
                    $g = 0.0;
                    $qOut = -$this->rightFace->flux;
                    $diagonal = $m[$i] + $tau * ($gIn - $ownIn - $this->rightFace->slope) * $slope[$i];
                }
                $r = $tau * ($qIn - $qOut) - $m[$i] * ($h[$i] - $base[$i]);
                if ($i > 0) {
                    $lower = -$tau * $gIn * $slopeBefore;
                    $diagonal -= $lower * $upper[$i - 1];
                    $r -= $lower * $rhs[$i - 1];
                }
                $upper[$i] = $i < $n - 1 ? -$tau * $g * $slope[$i + 1] / $diagonal : 0.0;
                $rhs[$i] = $r / $diagonal;
                $qIn = $qOut;
                $gIn = $g;
                $ownIn = 0.0;
                $slopeBefore = $slope[$i];
            }
            $change = 0.0;
            $predicted = $t;
            $leftFlux = $this->leftFace->flux;
            $rightFlux = $this->rightFace->flux;
            for ($i = $n - 1; $i >= 0; $i--) {
                $change = $rhs[$i] - ($i < $n - 1 ? $upper[$i] * $change : 0.0);
                $h[$i] += $change;
                $predicted[$i] += $slope[$i] * $change;
            }
            $leftFlux += $this->leftFace->slope * ($predicted[0] - $t[0]);
            $rightFlux += $this->rightFace->slope * ($predicted[$n - 1] - $t[$n - 1]);
            if (! is_finite($change)) {
                return null;
            }
            $this->properties($h);
            $worst = 0.0;
            foreach ($this->t as $i => $now) {
                $off = $now - $predicted[$i];
                if ($off < 0) {
                    $off = -$off;
                }
                if ($off > $worst) {
                    $worst = $off;
                }
            }
            if ($worst < self::TOLERANCE_K) {
                $this->faces($tau);
                // The flux that the solved balance used: the face's answer, carried along its slope.
                $this->leftFace->flux = $leftFlux;
                $this->rightFace->flux = $rightFlux;

                return $h;
            }
        }

        return null;
    }

    private function faces(float $tau): void
    {
        $this->leftFace->respond($this->t[0], $this->rLeft[0], $tau);
        $last = $this->n - 1;
        $this->rightFace->respond($this->t[$last], $this->rRight[$last], $tau);
    }

    /**
     * From enthalpies: temperature, dT/dh and half-cell resistances of every cell.
     *
     * @param  array<int, float>  $hs
     */
    private function properties(array $hs): void
    {
        $ts = $this->t;
        $slopes = $this->slope;
        $rl = $this->rLeft;
        $rr = $this->rRight;
        $left = $this->left;
        $right = $this->right;
        $peakH = $this->peakH;
        foreach ($this->layers as [$s, $from, $to]) {
            $cs = $s->cSolid;
            $cm = $s->cMelt;
            $ks = $s->kSolid;
            $km = $s->kMelt;
            $hStart = $s->hStart;
            $hEnd = $s->hEnd;
            $plain = $hStart === INF;
            $freezes = $s->hysteresis;
            $porous = $s->porosity > 0;
            $rate = $plain ? 0.0 : 1 / ($s->rangeEnd - $s->rangeStart);
            $b = $cs + $s->fusion * $rate;
            $a4 = 2 * ($cm - $cs) * $rate;
            for ($i = $from; $i < $to; $i++) {
                $h = $hs[$i];
                if ($plain) {
                    $t = $h / $cs;
                    $slope = 1 / $cs;
                    $k = $ks;
                } elseif ($freezes && $h < $peakH[$i] && $this->peakF[$i] > 0) {
                    [$t, $slope, $f] = $s->freezing($h, $this->peakT[$i], $peakH[$i], $this->peakF[$i]);
                    $k = $ks + ($km - $ks) * $f;
                } elseif ($h <= $hStart) {
                    $t = $h / $cs;
                    $slope = 1 / $cs;
                    $k = $ks;
                } elseif ($h >= $hEnd) {
                    $t = $s->rangeEnd + ($h - $hEnd) / $cm;
                    $slope = 1 / $cm;
                    $k = $km;
                } else {
                    $y = $h - $hStart;
                    $root = sqrt($b * $b + $a4 * $y);
                    $x = 2 * $y / ($b + $root);
                    $t = $s->rangeStart + $x;
                    $slope = 1 / $root;
                    $k = $ks + ($km - $ks) * $x * $rate;
                }
                $stretch = 1.0;
                if ($porous) {
                    $phi = $s->porosityAfter($t > $this->peakT[$i] ? $t : $this->peakT[$i]);
                    if ($phi > 0) {
                        $k = exp((1 - $phi) * log($k) + $phi * log(Substance::GAS_CONDUCTIVITY_W_MK));
                        if (! $this->cylinder) {
                            $stretch = 1 - $phi;
                        }
                    }
                }
                $ts[$i] = $t;
                $slopes[$i] = $slope;
                $rl[$i] = $left[$i] / ($k * $stretch);
                $rr[$i] = $right[$i] / ($k * $stretch);
            }
        }
        $this->t = $ts;
        $this->slope = $slopes;
        $this->rLeft = $rl;
        $this->rRight = $rr;
    }

    /**
     * A first step short enough for the sharp start, s: a fifth of the quickest cell's own time constant, at least 1
     * ms.
     */
    private function firstStep(): float
    {
        $quickest = INF;
        foreach ($this->m as $i => $m) {
            $half = min($this->rLeft[$i], $this->rRight[$i]);
            $quickest = min($quickest, $m / max($this->slope[$i], 1e-12) * $half);
        }

        return max(1e-3, min(2.0, 0.5 * $quickest)) * $this->stepScale;
    }
}
