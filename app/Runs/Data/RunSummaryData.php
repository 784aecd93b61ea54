<?php

declare(strict_types=1);

namespace App\Runs\Data;

use Dithermic\Core\Process\Figure;
use OpenApi\Attributes as OA;

/** A run as it stands in the list. */
#[OA\Schema]
final readonly class RunSummaryData
{
    /**
     * @param  list<StationData>  $stations
     * @param  list<Figure>  $figures
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $number,
        #[OA\Property] public string $process,
        #[OA\Property] public string $product,
        #[OA\Property] public int $product_id,
        #[OA\Property] public string $polymer,
        #[OA\Property(description: 'the main one')] public string $machine,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/StationData'))]
        public array $stations,
        #[OA\Property(description: 'what the material is set to, °C')] public ?float $set_c,
        #[OA\Property] public string $lot_code,
        #[OA\Property] public string $status,
        #[OA\Property] public ?string $step,
        #[OA\Property(description: 'what it is doing, as a person says it')] public string $doing,
        #[OA\Property(description: 'interrupted and not yet gone on')] public ?float $still_since,
        #[OA\Property(description: 'somebody has to look at what it made')] public bool $looks,
        #[OA\Property] public ?string $verdict,
        #[OA\Property] public ?string $scrap_reason,
        #[OA\Property] public float $started_at,
        #[OA\Property] public ?float $ended_at,
        #[OA\Property] public string $started_by,
        #[OA\Property(
            description: 'what was set and what came out, as the process names them',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/Figure'),
        )]
        public array $figures,
        #[OA\Property(description: 'good pieces; a run that is one pass is one')] public int $good,
        #[OA\Property(description: 'scrapped or dropped')] public int $bad,
    ) {
    }
}
