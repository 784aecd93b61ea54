<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** A run in the picture of a window. */
#[OA\Schema]
final readonly class WindowRunData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $number,
        #[OA\Property] public float $x,
        #[OA\Property] public float $y,
        #[OA\Property] public int $good,
        #[OA\Property] public int $bad,
    ) {
    }
}
