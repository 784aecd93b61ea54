<?php

declare(strict_types=1);

namespace App\People\Data;

use OpenApi\Attributes as OA;

/** A screen on which somebody has signed in with a password. */
#[OA\Schema]
final readonly class ScreenData
{
    /** @param  list<string>  $people */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $people,
        #[OA\Property] public float $seen_at,
    ) {
    }
}
