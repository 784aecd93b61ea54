<?php

declare(strict_types=1);

namespace App\Runs\Data;

use Dithermic\Core\Process\Change\Hose;
use Dithermic\Core\Process\Change\Position;
use OpenApi\Attributes as OA;

/** A machine on its way from one job to the next. */
#[OA\Schema]
final readonly class ChangeData
{
    /**
     * @param  list<ChangeTaskData>  $tasks
     * @param  list<Position>  $positions
     * @param  list<Hose>  $hoses
     * @param  list<string>  $route
     * @param  list<string>  $cares
     * @param  list<string>  $unknown
     */
    public function __construct(
        #[OA\Property(format: 'uuid')] public string $id,
        #[OA\Property] public int $machine_id,
        #[OA\Property] public string $machine,
        #[OA\Property] public int $product_id,
        #[OA\Property] public string $product,
        #[OA\Property(description: 'of the material that comes')] public ?int $lot_id,
        #[OA\Property] public ?string $lot,
        #[OA\Property] public string $polymer,
        #[OA\Property] public ?string $swatch,
        #[OA\Property] public ?string $was_polymer,
        #[OA\Property] public ?string $was_swatch,
        #[OA\Property(description: 'the mould that hung')] public ?string $was_mould,
        #[OA\Property(description: 'the mould that shall hang')] public ?string $mould,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
        #[OA\Property] public ?float $ended_at,
        #[OA\Property] public ?string $given_up,
        #[OA\Property(description: 'newest entry; sent back with the next')] public int $after,
        #[OA\Property] public int $people,
        #[OA\Property] public string $says,
        #[OA\Property(description: 'why the two must not meet; null where they may')] public ?string $stop,
        #[OA\Property(description: 's since 1970 UTC: the first parts are judged')] public float $ready_at,
        #[OA\Property] public float $planned_min,
        #[OA\Property] public float $hands_min,
        #[OA\Property] public float $serial_min,
        #[OA\Property] public float $purge_g,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $route,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/ChangeTaskData'),
        )]
        public array $tasks,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Position'))]
        public array $positions,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Hose'))] public array $hoses,
        #[OA\Property(
            description: 'what speaks against it, and what to mind',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $cares,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $unknown,
        #[OA\Property(description: 'a temperature that is read counts so near to what is set, K')]
        public float $ready_within_k,
    ) {
    }
}
