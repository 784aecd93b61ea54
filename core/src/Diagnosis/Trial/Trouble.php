<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis\Trial;

/** What goes wrong in a bad run, and how it shows: both by their names in data/defects.json. */
final readonly class Trouble
{
    public function __construct(public string $defect, public string $cause)
    {
    }
}
