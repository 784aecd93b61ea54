<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What waits at a stage of the work. */
#[OA\Schema]
final readonly class StageData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $count,
        #[OA\Property] public string $says,
    ) {
    }
}
