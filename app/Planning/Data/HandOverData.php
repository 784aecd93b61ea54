<?php

declare(strict_types=1);

namespace App\Planning\Data;

use App\Runs\Data\HandData;
use OpenApi\Attributes as OA;

/** What the next shift finds, written from log and plan. */
#[OA\Schema]
final readonly class HandOverData
{
    /**
     * @param  list<MadeSinceData>  $made
     * @param  list<ToldData>  $told
     * @param  list<LeftMachineData>  $machines
     * @param  list<HandData>  $hands
     * @param  list<DayJobData>  $next
     */
    public function __construct(
        #[OA\Property(description: 's since 1970 UTC')] public float $since,
        #[OA\Property] public float $now,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/MadeSinceData'))]
        public array $made,
        #[OA\Property(
            description: 'newest first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/ToldData'),
        )]
        public array $told,
        #[OA\Property(
            description: 'that are not empty, cold and free',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/LeftMachineData'),
        )]
        public array $machines,
        #[OA\Property(
            description: 'what wants hands, most urgent first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/HandData'),
        )]
        public array $hands,
        #[OA\Property(
            description: 'of the plan, as they begin; and what is not in it, with why',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/DayJobData'),
        )]
        public array $next,
    ) {
    }
}
