<?php

declare(strict_types=1);

namespace App\People\Data;

use OpenApi\Attributes as OA;

/** Somebody of the shop. */
#[OA\Schema]
final readonly class PersonData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $role,
        #[OA\Property] public bool $has_pin,
    ) {
    }
}
