<?php

declare(strict_types=1);

namespace App\Http;

use OpenApi\Attributes as OA;

/** What was refused, and why. */
#[OA\Schema]
final readonly class ErrorBodyData
{
    public function __construct(
        #[OA\Property] public string $field,
        #[OA\Property] public string $message,
    ) {
    }
}
