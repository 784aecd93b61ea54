<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** Something that somebody who comes should know: a note, what stood still, what was left out and why, an alarm. */
#[OA\Schema]
final readonly class ToldData
{
    public function __construct(
        #[OA\Property(description: 's since 1970 UTC')] public float $at,
        #[OA\Property(description: 'null where an instrument said it')] public ?string $by,
        #[OA\Property(description: 'what it is about: a run and its product, a machine, the shift')]
        public string $about,
        #[OA\Property] public string $says,
        #[OA\Property(description: 'in the words of a person for the next shift')] public bool $own,
        #[OA\Property(format: 'uuid')] public ?string $run_id,
    ) {
    }
}
