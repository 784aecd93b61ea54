<?php

declare(strict_types=1);

namespace App\Data;

use OpenApi\Attributes as OA;

/** A lot with its newest movements. */
#[OA\Schema]
final readonly class LotDetailData
{
    /**
     * @param  list<MovementData>  $movements
     */
    public function __construct(
        #[OA\Property] public LotData $lot,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MovementData'))] public array $movements,
    ) {
    }
}
