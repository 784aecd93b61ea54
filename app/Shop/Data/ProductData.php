<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** A thing the shop makes. */
#[OA\Schema]
final readonly class ProductData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $process,
        #[OA\Property] public string $polymer,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties())] public object $dimensions,
        #[OA\Property] public string $note,
        #[OA\Property] public ?RecipeData $recipe,
        #[OA\Property(description: 'counts its changes: give it back as `after_revision`')] public int $revision,
        #[OA\Property(description: 'the mould that it is usually made in')] public ?int $mould_id,
        #[OA\Property(description: 'sheets of paper of its trim template at true size; null where there is none')]
        public ?int $template_sheets,
    ) {
    }
}
