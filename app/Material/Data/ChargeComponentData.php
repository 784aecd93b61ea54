<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** One component of a charge. */
#[OA\Schema]
final readonly class ChargeComponentData
{
    /**
     * @param  list<LotData>  $lots
     */
    public function __construct(
        #[OA\Property] public string $name,
        #[OA\Property] public string $swatch,
        #[OA\Property] public string $kind,
        #[OA\Property] public float $target_g,
        #[OA\Property] public float $tolerance_g,
        #[OA\Property] public float $weighed_g,
        #[OA\Property] public string $state,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/LotData'))] public array $lots,
        #[OA\Property] public ?string $advice,
        #[OA\Property] public ?float $take_out_g,
        #[OA\Property] public ?float $scale_up_to_g,
    ) {
    }
}
