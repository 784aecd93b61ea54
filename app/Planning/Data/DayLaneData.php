<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** A machine or a person over a day. */
#[OA\Schema]
final readonly class DayLaneData
{
    /** @param  list<DayBarData>  $bars */
    public function __construct(
        #[OA\Property(description: 'machine or person')] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property(description: 'of machine; empty for a person')] public string $kind,
        #[OA\Property(enum: ['in', 'out', 'none', 'hands'])] public string $heat,
        #[OA\Property(description: 'of a person')] public ?float $here_from,
        #[OA\Property] public ?float $here_to,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/DayBarData'))] public array $bars,
    ) {
    }
}
