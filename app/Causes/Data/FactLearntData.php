<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** A fact of a machine as its readings say. */
#[OA\Schema]
final readonly class FactLearntData
{
    public function __construct(
        #[OA\Property] public string $name,
        #[OA\Property(description: 'as it is known now')] public ?float $was,
        #[OA\Property] public float $value,
        #[OA\Property(description: '5 % of it')] public float $low,
        #[OA\Property(description: '95 % of it')] public float $high,
    ) {
    }
}
