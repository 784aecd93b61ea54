<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What stands between what a machine holds and a job. */
#[OA\Schema]
final readonly class ChangeDueData
{
    public function __construct(
        #[OA\Property(description: 'null where there is no way')] public ?float $total_min,
        #[OA\Property] public float $hands_min,
        #[OA\Property] public float $purge_g,
        #[OA\Property(description: 'polymer that is still in it; null where it is clean or nobody knows')]
        public ?string $holds,
        #[OA\Property] public string $says,
        #[OA\Property(description: 'why two must not meet, or why there is no way')] public ?string $stop,
        #[OA\Property(description: 'the change that the machine is in already', format: 'uuid')] public ?string $open,
        #[OA\Property(description: 'as the last changes of this machine went; null with fewer than four')]
        public ?float $likely_from_min,
        #[OA\Property(description: 'until so many')] public ?float $likely_to_min,
        #[OA\Property(description: 'changes that this is known from')] public int $known_from,
    ) {
    }
}
