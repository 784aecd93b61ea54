<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class CapabilityResult extends Result
{
    public function __construct(
        public readonly float $mean,
        #[Field('with n − 1')] public readonly float $stdev,
        #[Field('null with one limit')] public readonly ?float $cp,
        public readonly float $cpk,
        #[Field('outside the limits, both tails of the normal', 'ppm')] public readonly float $ppm_expected,
    ) {
    }
}
