<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class RankResult extends Result
{
    /**
     * @param  list<Ranked>  $ranked
     * @param  list<string>  $family
     */
    public function __construct(
        #[Field('most probable first', '', of: Ranked::class)] public readonly array $ranked,
        #[Field('a polymer, or UNKNOWN: its own bin, never hot')] public readonly string $decision,
        public readonly string $because,
        #[Field(
            'what to do next; null when it is decided or nothing more would tell',
        )]
        public readonly ?NextTest $next_test,
        #[Field('two tests that disagree')] public readonly ?Conflict $conflict,
        #[Field(
            'polymers that the tests do not tell apart, decided together',
            '',
            of: 'string',
        )]
        public readonly array $family,
        #[Field('of a family, the one whose limits of temperature are the safe ones')] public readonly ?string $heat_as,
        #[Field('that it is PVC or something else that is never heated', '')] public readonly float $never_hot,
    ) {
    }
}
