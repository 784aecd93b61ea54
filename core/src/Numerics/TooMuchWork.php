<?php

declare(strict_types=1);

namespace Dithermic\Core\Numerics;

use RuntimeException;

/** The question asks the solver for more than one answer may cost; see Effort. */
final class TooMuchWork extends RuntimeException
{
}
