<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule\Trial;

/** What days came to, one added to another. */
final class Tally
{
    public int $days = 0;

    public float $idleMin = 0.0;

    public int $ringsAtOnce = 0;

    public int $rings = 0;

    public float $lateMin = 0.0;

    public float $calledMin = 0.0;

    public float $heldMin = 0.0;

    public int $made = 0;

    public int $notMade = 0;

    public int $driedAgain = 0;

    /** @var list<string> */
    public array $wrong = [];

    public function add(Outcome $day): void
    {
        $this->days++;
        $this->idleMin += $day->idleMin;
        $this->ringsAtOnce += $day->ringsAtOnce;
        $this->rings += $day->rings;
        $this->lateMin += $day->lateMin;
        $this->calledMin += $day->calledMin;
        $this->heldMin += $day->heldMin;
        $this->made += $day->made;
        $this->notMade += $day->notMade;
        $this->driedAgain += $day->driedAgain;
        array_push($this->wrong, ...$day->wrong);
    }
}
