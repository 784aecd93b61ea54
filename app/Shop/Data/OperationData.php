<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** What is done to a piece after its run. */
#[OA\Schema]
final readonly class OperationData
{
    /** @param  list<PartUseData>  $uses */
    public function __construct(
        #[OA\Property] public string $title,
        #[OA\Property(description: 'for each piece')] public float $minutes,
        #[OA\Property] public int $people,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/PartUseData'))] public array $uses,
    ) {
    }
}
