<?php

declare(strict_types=1);

namespace App\People\Data;

use OpenApi\Attributes as OA;

/** How a person wants the screens. */
#[OA\Schema]
final readonly class PreferencesData
{
    public function __construct(
        #[OA\Property] public string $units,
        #[OA\Property] public string $theme,
        #[OA\Property] public bool $glove,
    ) {
    }
}
