<?php

declare(strict_types=1);

namespace App\Bench\Data;

use OpenApi\Attributes as OA;

/** A calculation by name. */
#[OA\Schema]
final readonly class CatalogueEntryData
{
    public function __construct(
        #[OA\Property] public string $name,
        #[OA\Property] public string $purpose,
        #[OA\Property] public string $group,
        #[OA\Property] public string $title,
        #[OA\Property(description: 'what people look for it by')] public string $words,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties,
            description: 'an input to start from',
        )]
        public object $example,
    ) {
    }
}
