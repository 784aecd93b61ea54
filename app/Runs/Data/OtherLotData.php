<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A lot that a run under way could go over to. */
#[OA\Schema]
final readonly class OtherLotData
{
    /** @param  list<string>  $stops */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $code,
        #[OA\Property] public string $colour,
        #[OA\Property] public string $swatch,
        #[OA\Property] public string $form,
        #[OA\Property] public string $location,
        #[OA\Property] public float $held_g,
        #[OA\Property] public string $source,
        #[OA\Property(
            description: 'why it may not go in; none where it may',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $stops,
    ) {
    }
}
