<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class FitHeaterResult extends Result
{
    /** @param  list<string>  $missing */
    public function __construct(
        #[Field('that fits the times', '°C')] public readonly float $heater_c,
        #[Field('it was fitted with', '')] public readonly float $exchange,
        #[Field('5 % of it', '°C')] public readonly float $low,
        #[Field('95 % of it', '°C')] public readonly float $high,
        #[Field('between the times seen and those of the model', 's')] public readonly float $rms_s,
        #[Field('good enough to plan by')] public readonly bool $enough,
        #[Field('what would tell more', of: 'string')] public readonly array $missing,
    ) {
    }
}
