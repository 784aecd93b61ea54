<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class PressResult extends Result
{
    public function __construct(
        #[Field('', 'kN')] public readonly float $force_kn,
        #[Field('pressure on the sheet', 'bar')] public readonly float $sheet_bar,
        #[Field('for the wanted pressure', 'bar')] public readonly ?float $gauge_bar_needed,
    ) {
    }
}
