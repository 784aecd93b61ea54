<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** A source in the list of them: what is here of it, what it brought, and what its trust asks for next. */
#[OA\Schema]
final readonly class SourceCardData
{
    /**
     * @param  list<BroughtData>  $brought
     * @param  list<TrustStepData>  $steps
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $state,
        #[OA\Property] public string $note,
        #[OA\Property(description: 'of it on the shelves')] public float $held_g,
        #[OA\Property(
            description: 'what it brought, the newest of a kind, newest first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/BroughtData'),
        )]
        public array $brought,
        #[OA\Property(description: 'days between its deliveries, the middle one of the newest')]
        public ?float $every_days,
        #[OA\Property(description: 'the lot of it that a trial would take')] public ?string $trial_lot,
        #[OA\Property(
            description: 'what its ladder asks for, checks of deliveries last',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/TrustStepData'),
        )]
        public array $steps,
    ) {
    }
}
