<?php

declare(strict_types=1);

namespace App\Runs\Data;

use App\Shop\Data\HeatMarksData;
use OpenApi\Attributes as OA;

/** A machine with what runs on it. */
#[OA\Schema]
final readonly class LaneData
{
    /**
     * @param  list<StretchData>  $stretches
     * @param  list<HandData>  $pins
     */
    public function __construct(
        #[OA\Property] public int $machine_id,
        #[OA\Property] public string $machine,
        #[OA\Property] public string $kind,
        #[OA\Property(
            description: 'main: runs are made on it; place: they come to it; beside: neither',
            enum: ['main', 'place', 'beside'],
        )]
        public string $works,
        #[OA\Property] public string $says,
        #[OA\Property] public ?string $run_id,
        #[OA\Property(description: 'while its run stands still')] public ?BreakData $still,
        #[OA\Property] public ?string $polymer,
        #[OA\Property] public ?float $set_c,
        #[OA\Property] public ?float $measured_c,
        #[OA\Property] public ?HeatMarksData $marks,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/StretchData'),
        )]
        public array $stretches,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/HandData'))] public array $pins,
    ) {
    }
}
