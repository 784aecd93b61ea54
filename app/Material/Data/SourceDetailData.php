<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** A source, and what it has taught. */
#[OA\Schema]
final readonly class SourceDetailData
{
    /**
     * @param  list<SourceEventData>  $events
     * @param  list<LotData>  $lots
     * @param  list<string>  $may
     * @param  list<TrustStepData>  $steps
     */
    public function __construct(
        #[OA\Property] public SourceData $source,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/SourceEventData'),
        )]
        public array $events,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/LotData'))] public array $lots,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $may,
        #[OA\Property] public float $delivered_g,
        #[OA\Property] public float $used_g,
        #[OA\Property] public int $runs,
        #[OA\Property] public int $scrap,
        #[OA\Property] public ?float $scrap_pct,
        #[OA\Property] public ?float $contamination_pct,
        #[OA\Property] public ?float $worked_from_c,
        #[OA\Property] public ?float $worked_to_c,
        #[OA\Property(
            description: 'what can be said of it now',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/TrustStepData'),
        )]
        public array $steps,
    ) {
    }
}
