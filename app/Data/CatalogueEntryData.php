<?php

declare(strict_types=1);

namespace App\Data;

use OpenApi\Attributes as OA;

/** A calculation by name. */
#[OA\Schema]
final readonly class CatalogueEntryData
{
    public function __construct(
        #[OA\Property] public string $name,
        #[OA\Property] public string $purpose,
    ) {
    }
}
