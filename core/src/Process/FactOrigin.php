<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

/**
 * Where a fact of a machine comes from. Unknown is a value: it is said, and the plan says what that does to its answer.
 */
enum FactOrigin: string
{
    case Plate = 'plate';
    case Measured = 'measured';
    case Fitted = 'fitted';
    case Unknown = 'unknown';
}
