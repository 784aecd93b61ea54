<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis\Trial;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Diagnosis\Rank;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;

/** Bad runs of all processes, each trouble as often as any other, and what the search for their causes makes of them. */
final readonly class Ward
{
    /** @var list<Scene> */
    public array $scenes;

    public function __construct(Registry $calculations, PolymerLibrary $polymers)
    {
        $this->scenes = [
            new InPress($calculations, $polymers),
            new InMould($calculations, $polymers),
            new InBar($calculations, $polymers),
            new InBox($calculations),
        ];
    }

    /** @return list<array{Scene, Trouble}> */
    public function troubles(): array
    {
        $all = [];
        foreach ($this->scenes as $scene) {
            foreach ($scene->troubles() as $defect => $causes) {
                foreach ($causes as $cause) {
                    $all[] = [$scene, new Trouble($defect, $cause)];
                }
            }
        }

        return $all;
    }

    /** The same seed makes the same runs. */
    public function score(int $runs, int $seed, int $questions = Doctor::QUESTIONS): Score
    {
        $score = new Score;
        $doctor = new Doctor(new Rank, $questions);
        $troubles = $this->troubles();
        for ($i = 0; $i < $runs; $i++) {
            [$scene, $trouble] = $troubles[$i % count($troubles)];
            $run = BadRun::draw($scene, $trouble, new Dice(1_000_003 * $seed + $i));
            $score->add($trouble, $doctor->examine($run, new Dice(7_000_003 * $seed + $i)));
        }

        return $score;
    }
}
