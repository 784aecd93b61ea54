<?php

declare(strict_types=1);

namespace App\Http;

use OpenApi\Attributes as OA;

/** What was refused, and why. */
#[OA\Schema]
final readonly class ErrorBodyData
{
    /** @param  list<self>|null  $rows */
    public function __construct(
        #[OA\Property] public string $field,
        #[OA\Property] public string $message,
        #[OA\Property(
            description: 'of a batch of which some rows are wrong: each, up to a hundred',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/ErrorBodyData'),
        )]
        public ?array $rows = null,
    ) {
    }
}
