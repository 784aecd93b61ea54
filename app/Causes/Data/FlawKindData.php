<?php

declare(strict_types=1);

namespace App\Causes\Data;

use Dithermic\Core\Quality\FlawPlace;
use OpenApi\Attributes as OA;

/** Flaws of one kind, and whether they lie in one place. */
#[OA\Schema]
final readonly class FlawKindData
{
    /** @param  list<FlawPlace>  $places */
    public function __construct(
        #[OA\Property(description: 'of a defect')] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property(description: 'that are marked')] public int $marks,
        #[OA\Property(description: 'mm: two nearer than this are in one place')] public float $radius_mm,
        #[OA\Property(
            description: 'where more parts meet than chance would bring, most first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/FlawPlace'),
        )]
        public array $places,
        #[OA\Property] public string $says,
    ) {
    }
}
