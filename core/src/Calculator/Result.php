<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

/** What every calculation answers: its own typed fields, a sentence a person can read, and what to be wary of. */
abstract class Result
{
    public string $explanation = '';

    /** @var list<string> where the answer leaves the range in which the model holds */
    public array $warnings = [];

    public function explain(string $text): static
    {
        $this->explanation = $text;

        return $this;
    }

    public function warn(?string $text): static
    {
        if ($text !== null && $text !== '') {
            $this->warnings[] = $text;
        }

        return $this;
    }
}
