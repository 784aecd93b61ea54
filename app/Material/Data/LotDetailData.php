<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** A lot with its newest movements. */
#[OA\Schema]
final readonly class LotDetailData
{
    /**
     * @param  list<MovementData>  $movements
     * @param  list<LotLinkData>  $from
     * @param  list<LotLinkData>  $to
     * @param  list<ContaminationData>  $contamination
     * @param  list<LotStepData>  $next
     */
    public function __construct(
        #[OA\Property] public LotData $lot,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/MovementData'),
        )]
        public array $movements,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/LotLinkData'))] public array $from,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/LotLinkData'))] public array $to,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/ContaminationData'),
        )]
        public array $contamination,
        #[OA\Property(
            description: 'what it wants before it may be used, the first thing first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/LotStepData'),
        )]
        public array $next,
    ) {
    }
}
