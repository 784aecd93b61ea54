<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** What went from one to another in a trace. */
#[OA\Schema]
final readonly class TraceFlowData
{
    public function __construct(
        #[OA\Property] public string $from,
        #[OA\Property] public string $to,
        #[OA\Property] public float $grams,
    ) {
    }
}
