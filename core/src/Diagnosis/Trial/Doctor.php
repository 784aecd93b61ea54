<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis\Trial;

use Dithermic\Core\Diagnosis\NextQuestion;
use Dithermic\Core\Diagnosis\Rank;
use Dithermic\Core\Diagnosis\RankInput;
use Dithermic\Core\Diagnosis\RankResult;
use Dithermic\Core\Diagnosis\SeenDefect;
use Dithermic\Core\Practice\Dice;

/**
 * Goes through a bad run as the house does: what is known of it by itself first, then the question that tells most, up
 * to four of them unless said otherwise, answered by somebody who cannot always tell and is sometimes wrong.
 */
final readonly class Doctor
{
    public const QUESTIONS = 4;

    /** of questions to hands and eyes: cannot tell, and tells the wrong thing */
    private const UNSURE = 0.1;

    private const WRONG = 0.05;

    public function __construct(private Rank $rank, private int $questions = self::QUESTIONS)
    {
    }

    /** @return list<RankResult> before the first question and after each */
    public function examine(BadRun $run, Dice $dice): array
    {
        $signals = array_intersect_key($run->reads, array_flip($run->scene->knows()));
        $answers = $unreadable = $told = [];
        while (true) {
            $result = ($this->rank)(new RankInput(
                $run->scene->process(),
                [new SeenDefect($run->trouble->defect)],
                $signals,
                $run->scene->mode(),
                $answers,
                unreadable: $unreadable,
            ));
            $told[] = $result;
            $asked = $result->next_question;
            if ($asked === null || count($told) > $this->questions) {
                return $told;
            }
            if ($asked->kind === 'ask') {
                $answers[$asked->id] = $this->answer($run->says[$asked->id] ?? null, $dice);
            } elseif (isset($run->reads[$asked->id]) && ! $dice->happens(self::UNSURE)) {
                $signals[$asked->id] = $this->looked($asked, $run->reads[$asked->id], $dice);
            } else {
                $unreadable[] = $asked->id;
            }
        }
    }

    private function answer(?bool $true, Dice $dice): string
    {
        if ($true === null || $dice->happens(self::UNSURE)) {
            return 'unknown';
        }

        return $true !== $dice->happens(self::WRONG) ? 'yes' : 'no';
    }

    /** What is measured has its error already; of what is seen one thing is sometimes taken for another. */
    private function looked(NextQuestion $asked, float|string|bool $true, Dice $dice): float|string|bool
    {
        $choices = count($asked->choices);

        return is_string($true) && $choices > 0 && $dice->happens(self::WRONG)
            ? $asked->choices[$dice->whole(0, $choices - 1)]
            : $true;
    }
}
