<?php

declare(strict_types=1);

namespace App\Instruments\Data;

use OpenApi\Attributes as OA;

/** What somebody said of a channel. */
#[OA\Schema]
final readonly class ChannelEntryData
{
    public function __construct(
        #[OA\Property(enum: ['limits', 'calibrated'])] public string $kind,
        #[OA\Property(description: 'in words')] public string $says,
        #[OA\Property] public string $note,
        #[OA\Property] public ?string $by,
        #[OA\Property(description: 'seconds since 1970 UTC')] public float $at,
    ) {
    }
}
