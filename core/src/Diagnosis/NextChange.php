<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Field;

/** One change, and no other before the next three parts are judged. */
final readonly class NextChange
{
    public function __construct(
        public string $parameter,
        public string $name,
        #[Field('raise, lower, set or do')] public string $change,
        #[Field('where it stands; null when that is not known', '')] public ?float $from,
        #[Field('null when from is not known, or it is an act', '')] public ?float $to,
        #[Field('of one step; null for an act', '')] public ?float $step,
        public string $unit,
        #[Field('in words')] public string $limit,
        #[Field('that it may not go past here; null when none is known', '')] public ?float $limit_value,
        public string $effort,
        public string $because,
        public string $note,
    ) {
    }
}
