<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Data\Record;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Observed;
use Dithermic\Core\Practice\Plant as Machine;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Step;

/**
 * An extruder without a mould. What comes out of it in a minute goes on as section times speed (conservation of
 * volume), so the size of a profile goes with one over the root of its haul-off; that day's output and swell are not
 * the plan's, and drift. Hands put the haul-off right by what they measure. A strip is torn now and then. Its barrel is
 * the bars' one.
 */
final class FreePlant implements Machine
{
    /** of the section, from one length to the next, standard deviation */
    private const DRIFT = 0.004;

    /** of a calliper on something warm, mm */
    private const READS_MM = 0.05;

    private readonly Record $targets;

    /** m/min, as hands have set it */
    private float $haul;

    /**
     * @param  array<string, float|int|string|null>  $targets  of the plan
     * @param  float  $gives  section that it really gives at the plan's haul-off, over the plan's
     * @param  float  $tears  share of the strips that tear
     */
    public function __construct(
        private readonly Plant $barrel,
        private readonly Dice $dice,
        array $targets,
        private float $gives,
        private readonly float $tears,
    ) {
        $this->targets = new Record($targets);
        $this->haul = $this->targets->number('haul_m_min', 0.0);
    }

    public function seen(Step $step, ?int $piece, float $began, float $now): array
    {
        return match ($step->id) {
            'fed' => [$this->verdict($this->dice->happens($this->tears) ? 'torn at the cut' : null)],
            'judge' => $this->judge(),
            default => $this->barrel->seen($step, $piece, $began, $now),
        };
    }

    public function reminded(string $entry, ?int $piece): ?Observed
    {
        return $entry === 'size' ? $this->measured() : null;
    }

    public function readings(float $from, float $to): array
    {
        return $this->barrel->readings($from, $to);
    }

    public function live(RunState $state, float $from, float $to): array
    {
        return $this->barrel->live($state, $from, $to);
    }

    /** What it is across now, and the haul-off at which it was; hands then put that right. */
    private function measured(): Observed
    {
        $size = $this->size() + $this->dice->normal(0, self::READS_MM);
        $at = $this->haul;
        $wanted = $this->targets->number('size_mm');
        if (abs($size - $wanted) > $this->targets->number('size_tolerance_mm') / 2) {
            $this->haul *= ($size / $wanted) ** 2;
        }

        return new Observed(
            'size',
            ['size_mm' => round($size, 2), 'haul_m_min' => round($at, 3)],
            $this->dice->between(15, 30),
        );
    }

    private function size(): float
    {
        return $this->targets->number('size_mm') * sqrt(
            $this->gives * $this->targets->number('haul_m_min') / $this->haul,
        );
    }

    /** @return list<Observed> */
    private function judge(): array
    {
        $off = abs($this->size() - $this->targets->number('size_mm'));
        $this->gives *= exp($this->dice->normal(0, self::DRIFT));

        return [
            $this->measured(),
            $this->verdict($off > $this->targets->number('size_tolerance_mm') ? 'out of size' : null),
        ];
    }

    private function verdict(?string $why): Observed
    {
        return new Observed(
            'disposition',
            $why === null ? ['verdict' => 'good'] : ['verdict' => 'scrap', 'reason' => $why],
            3,
        );
    }
}
