<?php

declare(strict_types=1);

namespace App\Instruments\Data;

use OpenApi\Attributes as OA;

/** What an instrument that asks is told. */
#[OA\Schema]
final readonly class LetInData
{
    public function __construct(
        #[OA\Property(enum: ['waiting', 'paired'])] public string $state,
        #[OA\Property(description: 'ask again after so many seconds')] public int $again_s,
        #[OA\Property(description: 'whose readings it sends')] public ?string $machine,
        #[OA\Property(description: 'for readings and signals of that machine; keep it, it is told once')]
        public ?string $token,
    ) {
    }
}
