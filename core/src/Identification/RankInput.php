<?php

declare(strict_types=1);

namespace Dithermic\Core\Identification;

use Dithermic\Core\Calculator\Field;

final readonly class RankInput
{
    /**
     * @param  list<Evidence>  $evidence
     * @param  list<string>  $candidates
     * @param  list<string>  $exclude_tests
     * @param  array<string, int>  $confirmed
     */
    public function __construct(
        #[Field('what was seen so far', '', of: Evidence::class, atMost: 30)] public array $evidence,
        #[Field(
            'polymers it can be at all; all when left out',
            '',
            of: 'string',
            atMost: 60,
        )]
        public array $candidates = [],
        #[Field('tests not to hand', '', of: 'string', atMost: 30)] public array $exclude_tests = [],
        #[Field('items the shop has confirmed before, by polymer', '', of: 'counts')] public array $confirmed = [],
    ) {
    }
}
