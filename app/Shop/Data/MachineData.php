<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** A machine, dryer or cooling station. */
#[OA\Schema]
final readonly class MachineData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $kind,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties())] public object $facts,
        #[OA\Property] public ?string $last_polymer,
        #[OA\Property] public ?string $running_run,
        #[OA\Property(description: 'taken out of use')] public bool $retired,
    ) {
    }
}
