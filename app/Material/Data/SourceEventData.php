<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** Something that raised or lowered the trust in a source. */
#[OA\Schema]
final readonly class SourceEventData
{
    public function __construct(
        #[OA\Property] public string $kind,
        #[OA\Property(description: 'the kind in words')] public string $says,
        #[OA\Property] public string $state,
        #[OA\Property] public ?float $worked_at_c,
        #[OA\Property] public ?string $run_id,
        #[OA\Property] public ?string $picture_id,
        #[OA\Property] public string $note,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
    ) {
    }
}
