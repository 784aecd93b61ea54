<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

/** The advance of the free skin into the mould; see Wall. Lengths in mm. */
final class WallModel
{
    public float $thickness;

    public readonly bool $tip;

    /** @var list<array{float, float}> depth of the contact on the wall, and the thickness frozen there */
    private array $frozen = [];

    /** volume laid down so far */
    private float $laid = 0.0;

    private float $area;

    /** angle of the wall to the sheet plane */
    private readonly float $beta;

    private readonly float $rim;

    private readonly float $floor;

    public function __construct(private readonly WallInput $in, private readonly float $corner)
    {
        $this->beta = M_PI / 2 - deg2rad($in->draft_deg);
        $this->rim = $in->base_diameter_mm / 2;
        $this->floor = max(0.0, $this->rim - $in->depth_mm / tan($this->beta));
        $this->tip = $this->floor < 1e-6 * $this->rim;
        $this->thickness = $in->sheet_mm;
        $this->area = M_PI * $this->rim ** 2;
    }

    public function form(int $advances): void
    {
        $depth = $this->in->depth_mm;
        $capHeight = $this->rim * tan($this->beta / 2);
        if ($capHeight > $depth && ! $this->tip) {
            // The pole meets the floor while the bubble still hangs from the rim: then it spreads on the floor.
            $this->stretch(M_PI * ($this->rim ** 2 + $depth ** 2));
            $a = $this->ontoTheFloor($advances);
        } else {
            $this->stretch(M_PI * ($this->rim ** 2 + $capHeight ** 2));
            $a = $this->downTheWall($advances);
        }
        if (! $this->tip && $a !== null) {
            $this->intoTheCorner($a, $advances);
        }
    }

    public function wallAt(float $depth): float
    {
        $before = null;
        foreach ($this->frozen as $point) {
            if ($point[0] >= $depth) {
                return $before === null || $point[0] === $before[0]
                    ? $point[1]
                    : $before[1] + ($point[1] - $before[1]) * ($depth - $before[0]) / ($point[0] - $before[0]);
            }
            $before = $point;
        }

        return $this->thickness;
    }

    public function volumeErrorPct(): float
    {
        $sheet = M_PI * $this->rim ** 2 * $this->in->sheet_mm;

        return 100 * ($this->laid + $this->area * $this->thickness - $sheet) / $sheet;
    }

    /** The free skin gets a new area without laying any down. */
    private function stretch(float $area): void
    {
        $this->thickness *= $this->area / $area;
        $this->area = $area;
    }

    /** The free skin gets a new area and lays `covered` of mould area down on the way. */
    private function advance(float $area, float $covered): void
    {
        $before = $this->thickness;
        $this->thickness = $before * ($this->area - $covered / 2) / ($area + $covered / 2);
        $this->area = $area;
        $this->laid += $covered * ($before + $this->thickness) / 2;
    }

    /**
     * The cap goes down the wall until its pole meets the floor; gives the fillet's radius then, null when it stopped
     * before.
     */
    private function downTheWall(int $advances): ?float
    {
        $cos = cos($this->beta);
        $sin = sin($this->beta);
        $spread = tan($this->beta / 2);
        // The pole is at z + r·tan(β/2) with r = rim − z/tan β.
        $end = ($this->in->depth_mm - $this->rim * $spread) / (1 - $spread / tan($this->beta));
        $stop = ($this->rim - $this->corner * $sin) * tan($this->beta);
        $tipped = $this->tip || $stop < $end;
        $last = max(0.0, $tipped ? $stop : $end);
        $this->frozen[] = [0.0, $this->thickness];
        $r = $this->rim;
        for ($i = 1; $i <= $advances; $i++) {
            $z = $last * $i / $advances;
            $next = $this->rim - $z / tan($this->beta);
            $this->advance(2 * M_PI * $next * $next / (1 + $cos), M_PI * ($r + $next) * $last / $advances / $sin);
            $r = $next;
            $this->frozen[] = [$z, $this->thickness];
        }

        return $tipped ? null : $r / $sin;
    }

    /**
     * The skin hangs from the rim and spreads on the floor until it is tangent to the wall; gives the fillet's radius
     * then.
     */
    private function ontoTheFloor(int $advances): float
    {
        $depth = $this->in->depth_mm;
        $last = $this->rim - $depth / tan($this->beta / 2);
        $a = ($this->rim ** 2 + $depth ** 2) / (2 * $depth);
        $c = 0.0;
        for ($i = 1; $i <= $advances; $i++) {
            $next = $last * $i / $advances;
            $a = (($this->rim - $next) ** 2 + $depth ** 2) / (2 * $depth);
            // Past a quarter turn the sine alone would fold the angle back.
            $angle = atan2(($this->rim - $next) / $a, ($a - $depth) / $a);
            $this->advance(2 * M_PI * $a * ($next * $angle + $a * (1 - cos($angle))), M_PI * ($next * $next - $c * $c));
            $c = $next;
        }
        $this->frozen[] = [0.0, $this->thickness];

        return $a;
    }

    private function intoTheCorner(float $a, int $advances): void
    {
        if ($a <= $this->corner) {
            return;
        }
        $from = $a;
        $reach = tan($this->beta / 2);
        $lift = 1 - cos($this->beta);
        $c = $this->floor - $a * $reach;
        $z = $this->in->depth_mm - $a * $lift;
        for ($i = 1; $i <= $advances; $i++) {
            // Even steps in the logarithm: the corner is where it thins fastest.
            $a = $from * ($this->corner / $from) ** ($i / $advances);
            $nextC = $this->floor - $a * $reach;
            $nextZ = $this->in->depth_mm - $a * $lift;
            $radius = fn (float $depth): float => $this->rim - $depth / tan($this->beta);
            $covered = M_PI * ($nextC ** 2 - $c ** 2) + M_PI * ($radius($z) + $radius($nextZ)) * ($nextZ - $z) / sin($this->beta);
            $this->advance(2 * M_PI * $a * ($nextC * $this->beta + $a * $lift), $covered);
            [$c, $z] = [$nextC, $nextZ];
            $this->frozen[] = [$z, $this->thickness];
        }
    }
}
