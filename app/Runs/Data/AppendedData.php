<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What became of the entries that were sent, and the run after them. */
#[OA\Schema]
final readonly class AppendedData
{
    /**
     * @param  list<string>  $stored
     * @param  list<RefusedEventData>  $refused
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $stored,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/RefusedEventData'),
        )]
        public array $refused,
        #[OA\Property] public RunData $run,
    ) {
    }
}
