<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What an instrument told of a piece, with what it read. */
#[OA\Schema]
final readonly class HeardData
{
    /**
     * @param  list<array{at_s: float, what: string}>  $marks
     * @param  list<array{float, float}>  $points
     */
    public function __construct(
        #[OA\Property] public int $piece,
        #[OA\Property] public string $title,
        #[OA\Property(enum: ['ok', 'warn', 'block'])] public string $state,
        #[OA\Property] public string $says,
        #[OA\Property(
            description: 'moments, seconds from the first point',
            type: 'array',
            items: new OA\Items(
                type: 'object',
                required: ['at_s', 'what'],
                properties: [
                    new OA\Property(property: 'at_s', type: 'number'),
                    new OA\Property(property: 'what', type: 'string'),
                ],
            ),
        )]
        public array $marks,
        #[OA\Property(
            description: '[seconds from the first, value], thinned for a drawing',
            type: 'array',
            items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')),
        )]
        public array $points,
    ) {
    }
}
