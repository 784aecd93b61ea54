<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** How a machine is left. */
#[OA\Schema]
final readonly class LeftMachineData
{
    public function __construct(
        #[OA\Property] public int $machine_id,
        #[OA\Property] public string $machine,
        #[OA\Property(description: 'what it does')] public string $says,
        #[OA\Property(description: 'polymer that is in it; null where none is known')] public ?string $holds,
        #[OA\Property(description: 'mould that hangs in it')] public ?string $mould,
        #[OA\Property(description: 'as it was read last, °C')] public ?float $measured_c,
        #[OA\Property(format: 'uuid')] public ?string $run_id,
    ) {
    }
}
