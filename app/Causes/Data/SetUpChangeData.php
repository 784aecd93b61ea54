<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** What one version of a set-up has otherwise than the one before. */
#[OA\Schema]
final readonly class SetUpChangeData
{
    public function __construct(
        #[OA\Property] public string $setting,
        #[OA\Property] public ?string $was,
        #[OA\Property] public ?string $becomes,
    ) {
    }
}
