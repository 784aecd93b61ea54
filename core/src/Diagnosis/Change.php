<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Field;

/** What was changed before, and whether it helped. */
final readonly class Change
{
    public function __construct(
        #[Field('what was changed')] public string $parameter,
        #[Field('', '', min: -1e9, max: 1e9)] public ?float $from = null,
        #[Field('', '', min: -1e9, max: 1e9)] public ?float $to = null,
        #[Field('seconds since 1970 UTC', 's', min: 0, max: 1e11)] public ?float $at = null,
        #[Field('null while it is not known')] public ?bool $worked = null,
    ) {
    }
}
