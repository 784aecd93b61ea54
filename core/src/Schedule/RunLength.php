<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Run\Phase;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\Step;

/**
 * How long a run of a procedure takes by its plan's timers and its steps' usual minutes. Pieces follow one another as the
 * fullest place lets them, which for equal pieces is what a flow shop takes: the first whole, then the longest of the stages
 * for each further (Pinedo, Scheduling: Theory, Algorithms, and Systems, proportionate flow shops). The hands of one person
 * are such a stage too. People who come late make it longer: it is what to count on, not what to promise.
 */
final readonly class RunLength
{
    /**
     * @param  float  $setUpMin  before the first piece is begun
     * @param  float  $firstMin  of one piece, from its beginning until it is judged
     * @param  float  $eachMin  between one piece and the next
     * @param  float  $closingMin  after the last
     */
    public function __construct(
        public float $setUpMin,
        public float $firstMin,
        public float $eachMin,
        public float $closingMin,
    ) {
    }

    /** @param  array<string, mixed>  $targets  of the plan */
    public static function of(Procedure $procedure, array $targets): self
    {
        $minutes = static function (Step $step) use ($procedure, $targets): float {
            if ($step->timer === null) {
                return $step->typicalMin;
            }
            $planned = $targets[$procedure->timer($step->timer)->minutes ?? ''] ?? null;

            return is_int($planned) || is_float($planned) ? max(0.0, (float) $planned) : 0.0;
        };
        $sum = static fn (array $steps): float => array_sum(array_map($minutes, $steps));
        if (! $procedure->hasPieces()) {
            // A run that is one pass: the next begins when this one is over.
            $whole = $sum($procedure->steps());

            return new self(0.0, $whole, $whole, 0.0);
        }
        $pieces = $procedure->steps(Phase::Piece);

        return new self(
            $sum($procedure->steps(Phase::SetUp)),
            $sum($pieces),
            self::fullest($procedure, $pieces, $minutes),
            $sum($procedure->steps(Phase::Closing)),
        );
    }

    /** From now until the first piece is there, min. */
    public function untilFirst(): float
    {
        return $this->setUpMin + $this->firstMin;
    }

    public function whole(int $pieces): float
    {
        return $this->untilFirst() + max(0, $pieces - 1) * $this->eachMin + $this->closingMin;
    }

    /** How many pieces are there after so many minutes, the closing not counted. */
    public function within(float $minutes): int
    {
        $left = $minutes - $this->untilFirst();

        return $left < 0 ? 0 : 1 + (int) floor($left / max(0.01, $this->eachMin));
    }

    /**
     * @param  list<Step>  $steps  of a piece
     * @param  callable(Step): float  $minutes
     */
    private static function fullest(Procedure $procedure, array $steps, callable $minutes): float
    {
        $at = [];
        $hands = 0.0;
        foreach ($steps as $step) {
            $holds = $procedure->place($step->place)?->holds;
            // Where any number stands nobody waits for room.
            if ($holds !== null) {
                $at[$step->place] = ($at[$step->place] ?? 0.0) + $minutes($step) / $holds;
            }
            $hands += $step->timer === null && $step->people > 0 ? $step->typicalMin : 0.0;
        }

        return max([$hands, ...array_values($at)]);
    }
}
