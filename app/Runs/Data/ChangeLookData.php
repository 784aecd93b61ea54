<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A purging that was looked at. */
#[OA\Schema]
final readonly class ChangeLookData
{
    public function __construct(
        #[OA\Property(enum: ['old_colour', 'streaks', 'bubbles', 'clean'])] public string $look,
        #[OA\Property] public ?float $mass_g,
        #[OA\Property] public float $at,
    ) {
    }
}
