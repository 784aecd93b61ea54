<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A proposal of how to work a procedure, or what was decided on one. */
#[OA\Schema]
final readonly class ProcedureEntryData
{
    /**
     * @param  list<array<string, mixed>>  $changes
     * @param  list<string>  $says
     * @param  list<string>  $doubts
     * @param  list<RunLinkData>  $runs
     */
    public function __construct(
        #[OA\Property(description: 'of the proposal')] public int $id,
        #[OA\Property(enum: ['proposed', 'approved', 'turned_down'])] public string $kind,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
        #[OA\Property] public string $reason,
        #[OA\Property(description: 'who decided; null where nobody has')] public ?string $decided_by,
        #[OA\Property] public ?float $decided_at,
        #[OA\Property] public string $decided_reason,
        #[OA\Property(description: 'another was approved since: it cannot be approved as it is')] public bool $outdated,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(type: 'object', additionalProperties: new OA\AdditionalProperties()),
        )]
        public array $changes,
        #[OA\Property(
            description: 'what would be otherwise than shipped, in words',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $says,
        #[OA\Property(
            description: 'what to think of first',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $doubts,
        #[OA\Property(
            description: 'that prove it',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/RunLinkData'),
        )]
        public array $runs,
    ) {
    }
}
