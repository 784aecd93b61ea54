<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** Pieces that follow one another and are made of the same. */
#[OA\Schema]
final readonly class MadeOfData
{
    public function __construct(
        #[OA\Property(description: 'number of the first')] public int $from,
        #[OA\Property(description: 'and of the last')] public int $to,
        #[OA\Property(
            description: 'share of each lot, by its code, to a hundredth; most first',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'number'),
        )]
        public object $shares,
    ) {
    }
}
