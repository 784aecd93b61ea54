<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** A kind of machine, and what can be known of one. */
#[OA\Schema]
final readonly class MachineKindData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property(
            description: 'JSON Schema of each fact, by name',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties,
        )]
        public object $facts,
        #[OA\Property(description: 'hangs in another machine as long as a run lasts')] public bool $is_mould,
    ) {
    }
}
