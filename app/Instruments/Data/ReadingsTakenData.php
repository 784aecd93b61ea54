<?php

declare(strict_types=1);

namespace App\Instruments\Data;

use OpenApi\Attributes as OA;

/** What became of a batch of readings. */
#[OA\Schema]
final readonly class ReadingsTakenData
{
    /**
     * @param  list<array{channel: string, at: string, kept: float, sent: float}>  $differing
     */
    public function __construct(
        #[OA\Property] public int $stored,
        /** were there already */
        #[OA\Property] public int $known,
        /** there already with another value: the first one stays */
        #[OA\Property(
            type: 'array',
            items: new OA\Items(
                type: 'object',
                required: ['channel', 'at', 'kept', 'sent'],
                properties: [
                    new OA\Property(property: 'channel', type: 'string'),
                    new OA\Property(property: 'at', type: 'string'),
                    new OA\Property(property: 'kept', type: 'number'),
                    new OA\Property(property: 'sent', type: 'number'),
                ],
            ),
        )]
        public array $differing,
    ) {
    }
}
