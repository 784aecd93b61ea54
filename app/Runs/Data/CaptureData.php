<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What may be kept of the controller of a run's machine, and what was. */
#[OA\Schema]
final readonly class CaptureData
{
    /** @param  list<CapturedSetUpData>  $kept */
    public function __construct(
        #[OA\Property(
            description: 'JSON Schema of its numbers; null where the machine has none of its own',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties,
            nullable: true,
        )]
        public ?object $fields,
        #[OA\Property(
            description: 'the newest first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/CapturedSetUpData'),
        )]
        public array $kept,
    ) {
    }
}
