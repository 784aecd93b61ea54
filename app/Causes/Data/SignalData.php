<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** Something that is known of a bad piece, and from where. */
#[OA\Schema]
final readonly class SignalData
{
    public function __construct(
        #[OA\Property] public string $signal,
        #[OA\Property(description: 'what it means')] public string $meaning,
        #[OA\Property(description: 'as people read it')] public string $value,
        #[OA\Property] public string $from,
        #[OA\Property(description: 'read by somebody, not known by itself')] public bool $read,
    ) {
    }
}
