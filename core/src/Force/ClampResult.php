<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class ClampResult extends Result
{
    public function __construct(
        #[Field('', 'kN')] public readonly float $clamp_kn,
        #[Field('', 'tonne-force')] public readonly float $clamp_t,
        #[Field('null without bolts', 'kN')] public readonly ?float $per_bolt_kn,
        #[Field('null without bolts or proof')] public readonly ?bool $bolts_ok,
    ) {
    }
}
