<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

/** What is added to a case. */
enum CaseEntry: string
{
    case Seen = 'seen';
    case Answered = 'answered';
    case Read = 'read';
    case Changed = 'changed';
    case Judged = 'judged';
    case Withdrawn = 'withdrawn';
    case Closed = 'closed';
}
