<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Conduction;

use RuntimeException;

/** Newton's method did not settle, however short the step: the properties are far from any stuff there is. */
final class NoSolution extends RuntimeException
{
}
