<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** A change that was made for a cause. */
#[OA\Schema]
final readonly class MadeData
{
    public function __construct(
        #[OA\Property] public string $parameter,
        #[OA\Property] public string $name,
        #[OA\Property] public ?float $from,
        #[OA\Property] public ?float $to,
        #[OA\Property] public float $at,
        #[OA\Property(description: 'in words')] public string $cause,
        #[OA\Property(description: 'another was under way at once: which it was is not known')] public bool $unclear,
        #[OA\Property(description: 'null until it was judged')] public ?bool $worked,
    ) {
    }
}
