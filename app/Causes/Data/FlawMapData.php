<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** Flaws on a part as it is seen flat, of one run or of the last ones of a product. */
#[OA\Schema]
final readonly class FlawMapData
{
    /**
     * @param  list<FlawData>  $marks
     * @param  list<FlawKindData>  $kinds
     */
    public function __construct(
        #[OA\Property(description: 'mm')] public float $length_mm,
        #[OA\Property(description: 'mm')] public float $width_mm,
        #[OA\Property(description: 'mm')] public float $corner_mm,
        #[OA\Property(description: 'false: nobody said how large it is, and it is drawn square')] public bool $known,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/FlawData'))] public array $marks,
        #[OA\Property(
            description: 'those that are marked most first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/FlawKindData'),
        )]
        public array $kinds,
    ) {
    }
}
