<?php

declare(strict_types=1);

namespace App\Material\Data;

use Dithermic\Core\Stock\LotStep;
use OpenApi\Attributes as OA;

/** Something that a lot wants before it may be used. */
#[OA\Schema]
final readonly class LotStepData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $says,
        #[OA\Property] public string $because,
    ) {
    }

    public static function of(LotStep $step): self
    {
        return new self($step->value, $step->says(), $step->because());
    }
}
