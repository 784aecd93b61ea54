<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What is shown of a run's parts to whoever has their code, and what could be. */
#[OA\Schema]
final readonly class PassportData
{
    /**
     * @param  list<string>  $shows
     * @param  list<int>  $waste
     * @param  list<PassportSourceData>  $sources
     */
    public function __construct(
        #[OA\Property(
            description: 'the word that stands, to be named when another is said; null where none was',
        )]
        public ?int $id,
        #[OA\Property(description: 'that needs no sign-in; null where there is none')] public ?string $address,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(type: 'string', enum: ['name', 'mark', 'sources', 'kept', 'made']),
        )]
        public array $shows,
        #[OA\Property(
            description: 'sources whose material would have been waste',
            type: 'array',
            items: new OA\Items(type: 'integer'),
        )]
        public array $waste,
        #[OA\Property(
            description: 'that the run is of',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/PassportSourceData'),
        )]
        public array $sources,
        #[OA\Property(
            description: 'somebody weighed a part: without that nothing is known of what it keeps from waste',
        )]
        public bool $weighed,
        #[OA\Property(description: 'who said it')] public ?string $by,
    ) {
    }
}
