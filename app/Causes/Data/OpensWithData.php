<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** The set-up that the next run of a product opens with. */
#[OA\Schema]
final readonly class OpensWithData
{
    public function __construct(
        #[OA\Property] public string $machine,
        #[OA\Property] public int $version,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
        #[OA\Property] public string $note,
    ) {
    }
}
