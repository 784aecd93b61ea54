<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Heat\Sheet\ClampedSheet;

/** One sheet under the heater: what it was, and how long it took until it showed a sign. */
final readonly class TimedSheet
{
    public function __construct(
        public ClampedSheet $input,
        #[Field('', 's', above: 0, max: 3600)] public float $seconds,
        public Cue $cue,
    ) {
    }
}
