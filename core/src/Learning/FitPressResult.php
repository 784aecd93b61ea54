<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class FitPressResult extends Result
{
    /** @param  list<string>  $missing */
    public function __construct(
        public readonly PressNumbers $press,
        #[Field('null without readings of the cold platens')] public readonly ?ColdPressNumbers $cold_press,
        #[Field('between the readings and the model with these numbers', 'K')] public readonly float $rms_k,
        #[Field('good enough to plan by')] public readonly bool $enough,
        #[Field('what would tell more', of: 'string')] public readonly array $missing,
    ) {
    }
}
