<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** Where material comes from. */
#[OA\Schema]
final readonly class SourceData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $state,
        #[OA\Property] public string $note,
    ) {
    }
}
