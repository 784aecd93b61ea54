<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A machine of a run, in the place that it takes there. */
#[OA\Schema]
final readonly class StationData
{
    public function __construct(
        #[OA\Property(description: 'as the procedure names the place')] public string $role,
        #[OA\Property] public string $title,
        #[OA\Property] public string $machine,
        #[OA\Property] public int $machine_id,
        #[OA\Property(description: 'its runs can be asked what it really can do')] public bool $learns,
    ) {
    }
}
