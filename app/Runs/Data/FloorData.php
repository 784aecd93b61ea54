<?php

declare(strict_types=1);

namespace App\Runs\Data;

use App\Instruments\Data\AlarmData;
use OpenApi\Attributes as OA;

/** The floor now. */
#[OA\Schema]
final readonly class FloorData
{
    /**
     * @param  list<StageData>  $stages
     * @param  list<LaneData>  $lanes
     * @param  list<HandData>  $hands
     * @param  list<AlarmData>  $alarms
     */
    public function __construct(
        #[OA\Property] public float $server_time,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/StageData'))] public array $stages,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/LaneData'))] public array $lanes,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/HandData'))] public array $hands,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/AlarmData'))] public array $alarms,
    ) {
    }
}
