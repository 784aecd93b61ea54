<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What somebody wrote at a step of a run. */
#[OA\Schema]
final readonly class StepNoteData
{
    public function __construct(
        #[OA\Property] public RunLinkData $run,
        #[OA\Property(description: 'null where it was not said at which')] public ?string $step,
        #[OA\Property] public string $text,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
    ) {
    }
}
