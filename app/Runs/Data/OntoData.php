<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What a kept set-up can be worked out for. */
#[OA\Schema]
final readonly class OntoData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property(description: 'another machine, or a weaker mould on the same one', enum: ['machine', 'mould'])]
        public string $as,
    ) {
    }
}
