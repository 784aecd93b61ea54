<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class SequenceResult extends Result
{
    /**
     * @param  list<string>  $order
     * @param  list<mixed>  $matrix
     * @param  list<Leg>  $legs
     * @param  list<string>  $impossible
     */
    public function __construct(
        #[Field('ids', '', of: 'string')] public readonly array $order,
        #[Field('', 'min')] public readonly float $total_changeover_min,
        #[Field(
            'minutes, row from, column to; row 0 is the start; null where there is no way',
            'min',
        )]
        public readonly array $matrix,
        #[Field('', '', of: Leg::class)] public readonly array $legs,
        #[Field(
            'ids of jobs that nothing leads to: left out of the order',
            '',
            of: 'string',
        )]
        public readonly array $impossible = [],
    ) {
    }
}
