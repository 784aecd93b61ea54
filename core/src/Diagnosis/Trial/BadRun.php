<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis\Trial;

use Dithermic\Core\Practice\Dice;
use LogicException;

/** A run with one thing wrong, that made a bad part because of it. */
final readonly class BadRun
{
    /** draws of a day and of how much is wrong, until it shows and would not have shown without it */
    private const TRIES = 20_000;

    /**
     * @param  array<string, float>  $usual  the day without what went wrong
     * @param  array<string, float>  $state
     * @param  array<string, float|string|bool>  $reads
     * @param  array<string, bool>  $says
     */
    private function __construct(
        public Scene $scene,
        public Trouble $trouble,
        public array $usual,
        public array $state,
        public array $reads,
        public array $says,
    ) {
    }

    public static function draw(Scene $scene, Trouble $trouble, Dice $dice): self
    {
        for ($try = 0; $try < self::TRIES; $try++) {
            $usual = $scene->usual($dice);
            $state = $scene->spoil($usual, $trouble, $dice);
            if (! in_array($trouble->defect, $scene->flaws($state), true) || $scene->flaws($usual) !== []) {
                continue;
            }

            return new self(
                $scene,
                $trouble,
                $usual,
                $state,
                $scene->reads($state, $trouble->defect, $dice),
                $scene->says($state, $trouble->defect),
            );
        }
        throw new LogicException("{$trouble->cause} never makes {$trouble->defect} here");
    }
}
