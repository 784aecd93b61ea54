<?php

declare(strict_types=1);

namespace App\Material\Data;

use App\Shop\Data\MachineData;
use OpenApi\Attributes as OA;

/** Dryers, what is in them, and what was dried and is taking up water again. */
#[OA\Schema]
final readonly class DryBoardData
{
    /**
     * @param  list<MachineData>  $dryers
     * @param  list<DryingData>  $drying
     * @param  list<LotData>  $standing
     */
    public function __construct(
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/MachineData'),
        )]
        public array $dryers,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/DryingData'))] public array $drying,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/LotData'))] public array $standing,
        #[OA\Property] public float $server_time,
    ) {
    }
}
