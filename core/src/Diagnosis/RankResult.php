<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class RankResult extends Result
{
    /**
     * @param  list<RankedCause>  $causes
     * @param  list<string>  $cautions
     */
    public function __construct(
        #[Field('most likely first', of: RankedCause::class)] public readonly array $causes,
        #[Field('null when nothing more would tell')] public readonly ?NextQuestion $next_question,
        #[Field(
            'null while the cause is not clear enough, or nothing is left to change',
        )]
        public readonly ?NextChange $next_change,
        #[Field('before anything else', of: 'string')] public readonly array $cautions,
    ) {
    }
}
