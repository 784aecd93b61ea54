<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** A cause that is looked for still. */
#[OA\Schema]
final readonly class OpenCaseData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $run_id,
        #[OA\Property] public int $run_number,
        #[OA\Property] public float $at,
    ) {
    }
}
