<?php

declare(strict_types=1);

namespace App\Material\Data;

use Dithermic\Core\Stock\Trust;
use OpenApi\Attributes as OA;

/** Something that can be said of a source where it stands. */
#[OA\Schema]
final readonly class TrustStepData
{
    public function __construct(
        #[OA\Property] public string $kind,
        #[OA\Property] public string $says,
        #[OA\Property] public bool $lead_only,
        #[OA\Property(description: 'it is said with the temperature at which it worked')]
        public bool $needs_temperature,
    ) {
    }

    public static function of(Trust $trust): self
    {
        return new self($trust->value, $trust->says(), $trust->leadOnly(), $trust->needsTemperature());
    }
}
