<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class SheetSchoolsResult extends Result
{
    /** @param  list<School>  $schools */
    public function __construct(
        #[Field('true_density, as_water and, when given, shop_rule', of: School::class)] public readonly array $schools,
    ) {
    }
}
