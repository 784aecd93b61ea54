<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** A fact of a machine as somebody gave it. */
#[OA\Schema]
final readonly class MachineFactData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property(
            description: 'null where it is not known',
            oneOf: [
                new OA\Schema(type: 'number', nullable: true),
                new OA\Schema(type: 'string'),
            ],
        )]
        public float|string|null $value,
        #[OA\Property(enum: ['plate', 'measured', 'fitted', 'unknown'])] public string $origin,
        #[OA\Property] public string $note,
        #[OA\Property] public ?string $by,
        #[OA\Property] public float $at,
    ) {
    }
}
