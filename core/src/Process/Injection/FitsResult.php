<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class FitsResult extends Result
{
    /**
     * @param  list<FitReason>  $reasons
     * @param  list<FitReason>  $held
     * @param  list<string>  $unknown
     */
    public function __construct(
        #[Field('nothing that is known speaks against it')] public readonly bool $fits,
        #[Field('what speaks against it', of: FitReason::class)] public readonly array $reasons,
        #[Field('what was looked at and fits', of: FitReason::class)] public readonly array $held,
        #[Field('what could not be looked at: a fact is missing')] public readonly array $unknown,
    ) {
    }
}
