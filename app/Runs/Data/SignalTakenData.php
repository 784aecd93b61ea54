<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What became of a press: a lamp at the switch shows it. */
#[OA\Schema]
final readonly class SignalTakenData
{
    /** @param  list<string>  $stored */
    public function __construct(
        #[OA\Property] public string $run_id,
        #[OA\Property] public int $run_number,
        #[OA\Property(
            description: 'keys of the entries; none where it was the same foot again',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $stored,
    ) {
    }
}
