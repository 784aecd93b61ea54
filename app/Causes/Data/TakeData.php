<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** How the next set-up would be, with a change taken over. */
#[OA\Schema]
final readonly class TakeData
{
    public function __construct(
        #[OA\Property] public string $setting,
        #[OA\Property(description: 'as this run had it')] public ?float $was,
        #[OA\Property] public float $becomes,
        #[OA\Property] public string $unit,
    ) {
    }
}
