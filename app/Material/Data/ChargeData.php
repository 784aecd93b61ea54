<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** A charge being weighed, waiting for its run, used or given back. */
#[OA\Schema]
final readonly class ChargeData
{
    /**
     * @param  list<ChargeComponentData>  $components
     * @param  list<WeighingData>  $weighings
     * @param  list<string>  $cautions
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $number,
        #[OA\Property] public string $code,
        #[OA\Property] public ?int $product_id,
        #[OA\Property] public string $about,
        #[OA\Property] public string $polymer,
        #[OA\Property] public float $scale_g,
        #[OA\Property] public float $total_g,
        #[OA\Property] public float $weighed_g,
        #[OA\Property(
            description: 'the lot with most in it, which names the run; null while there is none',
        )]
        public ?int $main_lot_id,
        #[OA\Property] public string $status,
        #[OA\Property] public ?string $run_id,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/ChargeComponentData'),
        )]
        public array $components,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/WeighingData'),
        )]
        public array $weighings,
        #[OA\Property(type: 'object', nullable: true)] public ?object $premix,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $cautions,
    ) {
    }
}
