<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A run by its number. */
#[OA\Schema]
final readonly class RunLinkData
{
    public function __construct(#[OA\Property] public string $id, #[OA\Property] public int $number)
    {
    }
}
