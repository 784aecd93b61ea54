<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** A version of how a product is run on a machine. */
#[OA\Schema]
final readonly class SetUpData
{
    /** @param  list<SetUpChangeData>  $changes */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $machine,
        #[OA\Property] public int $version,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
        #[OA\Property] public string $note,
        #[OA\Property(description: 'pieces of runs that were set up so')] public int $good,
        #[OA\Property] public int $bad,
        #[OA\Property(
            description: 'against the version before; empty of the first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/SetUpChangeData'),
        )]
        public array $changes,
    ) {
    }
}
