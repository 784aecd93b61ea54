<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** An entry that was not let in, and why. */
#[OA\Schema]
final readonly class RefusedEventData
{
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $field,
        #[OA\Property] public string $message,
    ) {
    }
}
