<?php

declare(strict_types=1);

namespace App\Runs\Data;

use Dithermic\Core\Run\Plausible;
use OpenApi\Attributes as OA;

/** Between what a number that is logged is believed at once; beyond it the pad asks once more. */
#[OA\Schema]
final readonly class PlausibleData
{
    public function __construct(
        #[OA\Property] public string $entry,
        #[OA\Property] public string $field,
        #[OA\Property(description: 'in the unit of its dimension')] public ?float $low,
        #[OA\Property(description: 'in the unit of its dimension')] public ?float $high,
        #[OA\Property(description: 'why what is beyond cannot well be')] public string $says,
    ) {
    }

    public static function of(Plausible $p): self
    {
        return new self($p->entry, $p->field, $p->low, $p->high, $p->says);
    }
}
