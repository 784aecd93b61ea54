<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** A version of how a product is run on a machine. */
#[OA\Schema]
final readonly class RecipeData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $version,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties())] public object $settings,
        #[OA\Property] public string $note,
        #[OA\Property] public string $by,
        #[OA\Property] public float $created_at,
    ) {
    }
}
