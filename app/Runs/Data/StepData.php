<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A step as it stands in this run. */
#[OA\Schema]
final readonly class StepData
{
    /**
     * @param  list<string>  $missing
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $stage,
        #[OA\Property] public string $title,
        #[OA\Property] public string $status,
        #[OA\Property] public ?float $done_at,
        #[OA\Property] public ?string $done_by,
        #[OA\Property] public ?string $reason,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $missing,
    ) {
    }
}
