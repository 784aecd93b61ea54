<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;

final readonly class FitSoakInput
{
    /** @param  list<FullShot>  $shots */
    public function __construct(
        #[Field('full barrels that were waited for', of: FullShot::class, atLeast: 1, atMost: 50)] public array $shots,
        #[Field('of ln of the factor, before anything was seen', '', above: 0, max: 3)] public float $prior_sd = 0.25,
    ) {
    }
}
