<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** One line of a lot's ledger. */
#[OA\Schema]
final readonly class MovementData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public float $mass_g,
        #[OA\Property] public string $kind,
        #[OA\Property] public string $reason,
        #[OA\Property] public ?string $run_id,
        #[OA\Property] public ?int $run_number,
        #[OA\Property] public ?string $by,
        #[OA\Property] public float $at,
        #[OA\Property] public float $balance_g,
        #[OA\Property] public ?int $other_lot_id,
        #[OA\Property] public ?string $other_lot,
        #[OA\Property] public ?string $charge_id,
        #[OA\Property] public ?string $act_id,
        /** so little that it may have been meant in kilograms, and nobody has put it right yet */
        #[OA\Property] public bool $meant_kg,
    ) {
    }
}
