<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Run\Phase;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\Room;
use Dithermic\Core\Run\Step;

/**
 * How long a run of a procedure takes by its plan's timers and its steps' usual minutes. Pieces follow one another as
 * the fullest place lets them, which for equal pieces is what a flow shop takes: the first whole, then the longest of
 * the stages for each further (Pinedo, Scheduling: Theory, Algorithms, and Systems, proportionate flow shops). The
 * hands of one person are such a stage too. A place whose timer ends while hands are busy with what another clock
 * called them to waits until they are free: what is left of their work when it is come upon at any moment is half its
 * square over the cycle (mean residual life of a renewal process, Ross, Introduction to Probability Models, ch. 7).
 * People who are away make it longer: it is what to count on, not what to promise.
 */
final readonly class RunLength
{
    /**
     * for a person's needs, tiring and delays, over what is usual (Introduction to Work Study, International Labour
     * Office)
     */
    private const ALLOWANCE = 1.15;

    /** among the stages: the hands of one person, or of all who are wanted together */
    public const HANDS = 'hands';

    /** among the stages: what carries a piece */
    public const CARRIER = 'carrier';

    /**
     * @param  float  $setUpMin  before the first piece is begun
     * @param  float  $firstMin  of one piece, from its beginning until it is judged
     * @param  float  $eachMin  between one piece and the next
     * @param  float  $closingMin  after the last
     * @param  array<string, float>  $stages  minutes that a piece takes of each that it goes through, over how many there are of
     *                                        that: by place, or by HANDS or CARRIER
     */
    public function __construct(
        public float $setUpMin,
        public float $firstMin,
        public float $eachMin,
        public float $closingMin,
        public array $stages = [],
    ) {
    }

    /** @param  array<string, mixed>  $targets  of the plan */
    public static function of(Procedure $procedure, array $targets): self
    {
        $minutes = static fn (Step $step): float => self::counted($procedure, $step, $targets);
        $sum = static fn (array $steps): float => array_sum(array_map($minutes, $steps));
        if (! $procedure->hasPieces()) {
            // A run that is one pass: the next begins when this one is over.
            $whole = $sum($procedure->steps());

            return new self(0.0, $whole, $whole, 0.0);
        }
        $pieces = $procedure->steps(Phase::Piece);
        $stages = self::stages($procedure, $pieces, $targets);

        return new self(
            $sum($procedure->steps(Phase::SetUp)),
            $sum($pieces),
            self::each($procedure, $pieces, $targets, $stages),
            $sum($procedure->steps(Phase::Closing)),
            $stages,
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

    /** What lets a piece come no sooner: a place, HANDS or CARRIER; null of a run that is one pass. */
    public function heldBy(): ?string
    {
        return $this->stages === [] ? null : (string) array_search(max($this->stages), $this->stages, true);
    }

    /** How many pieces are there after so many minutes, the closing not counted. */
    public function within(float $minutes): int
    {
        $left = $minutes - $this->untilFirst();

        return $left < 0 ? 0 : 1 + (int) floor($left / max(0.01, $this->eachMin));
    }

    /**
     * Minutes that a step takes over and over: a timer as it runs, hands with their allowance.
     *
     * @param  array<string, mixed>  $targets
     */
    private static function counted(Procedure $procedure, Step $step, array $targets): float
    {
        return $procedure->minutes($step, $targets) * ($step->timer === null ? self::ALLOWANCE : 1.0);
    }

    /**
     * Minutes between one piece and the next: of the fullest stage, and what a machine waits for hands that are
     * elsewhere.
     *
     * @param  list<Step>  $steps  of a piece
     * @param  array<string, mixed>  $targets
     * @param  non-empty-array<string, float>  $stages
     */
    private static function each(Procedure $procedure, array $steps, array $targets, array $stages): float
    {
        $fullest = max($stages);
        $place = (string) array_search($fullest, $stages, true);
        $calls = 0;
        $squares = 0.0;
        $after = null;
        foreach ($steps as $step) {
            $calls += $step->place === $place && $step->timer !== null ? 1 : 0;
            $after = $step->timer === null ? $after : $step->place;
            // What follows straight on the machine's own call is over before it calls again.
            $elsewhere = $step->place !== $place && $after !== $place && $step->timer === null && $step->people > 0;
            $squares += $elsewhere ? self::counted($procedure, $step, $targets) ** 2 : 0.0;
        }

        return $fullest + ($fullest > 0 ? $calls * $squares / (2 * $fullest) : 0.0);
    }

    /**
     * What a piece takes of each that it goes through, over how many there are of that: places, what carries it, hands.
     *
     * @param  list<Step>  $steps  of a piece
     * @param  array<string, mixed>  $targets
     * @return non-empty-array<string, float> minutes, by place, or by HANDS or CARRIER
     */
    private static function stages(Procedure $procedure, array $steps, array $targets): array
    {
        $room = new Room($procedure, $targets);
        $carriers = $room->carriers();
        $stages = [self::HANDS => 0.0];
        $before = false;
        foreach ($steps as $step) {
            $minutes = self::counted($procedure, $step, $targets);
            $holds = $room->holds($step->place);
            // Where any number stands nobody waits for room.
            if ($holds !== null) {
                $stages[$step->place] = ($stages[$step->place] ?? 0.0) + $minutes / $holds;
            }
            $carried = $procedure->carrier()?->goesTo($step->place) ?? false;
            // The step after is the one that empties it.
            if ($carriers !== null && ($carried || $before)) {
                $stages[self::CARRIER] = ($stages[self::CARRIER] ?? 0.0) + $minutes / $carriers;
            }
            $before = $carried;
            $stages[self::HANDS] += $step->timer === null && $step->people > 0 ? $minutes : 0.0;
        }

        return $stages;
    }
}
