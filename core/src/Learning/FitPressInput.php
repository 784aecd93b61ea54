<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

final readonly class FitPressInput
{
    /** @param  list<PressRun>  $runs */
    public function __construct(
        #[Field('ordinary runs with their readings', of: PressRun::class, atLeast: 1, atMost: 8)] public array $runs,
    ) {
    }
}
