<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** A measured figure of a piece, in order. */
#[OA\Schema]
final readonly class ChartPointData
{
    /** @param  list<string>  $broken */
    public function __construct(
        #[OA\Property] public string $run_id,
        #[OA\Property] public int $run_number,
        #[OA\Property] public ?int $piece,
        #[OA\Property] public float $at,
        #[OA\Property] public float $value,
        #[OA\Property(
            description: 'rules that it breaks, in words',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $broken,
    ) {
    }
}
