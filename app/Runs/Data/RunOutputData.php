<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What came out of a run. */
#[OA\Schema]
final readonly class RunOutputData
{
    public function __construct(
        #[OA\Property(enum: ['goods', 'lot'])] public string $kind,
        #[OA\Property(description: 'pieces; less than none where a verdict was put right')] public ?int $count,
        #[OA\Property] public ?string $lot,
        #[OA\Property] public ?float $mass_g,
    ) {
    }
}
