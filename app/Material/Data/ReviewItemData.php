<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** Something that was let in by an older rule and that a lead looks at again. */
#[OA\Schema]
final readonly class ReviewItemData
{
    public function __construct(
        #[OA\Property(enum: ['lot', 'polymer', 'machine'])] public string $kind,
        #[OA\Property] public string $name,
        #[OA\Property] public string $says,
        #[OA\Property] public string $do,
        #[OA\Property] public string $link,
        #[OA\Property] public ?int $lot_id,
    ) {
    }
}
