<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** Who may go on although a gate still lacks something: nobody, who gives a reason, or a lead who gives one. */
enum PassAnyway: string
{
    case No = 'no';
    case Reason = 'reason';
    case Lead = 'lead';
}
