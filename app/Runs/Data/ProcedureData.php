<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A procedure: as it ships, as the shop works it, and what is proposed. */
#[OA\Schema]
final readonly class ProcedureData
{
    /**
     * @param  list<array<string, mixed>>  $changes
     * @param  list<string>  $says
     * @param  list<string>  $doubts
     * @param  list<ProcedureEntryData>  $proposals
     * @param  list<ProcedureEntryData>  $log
     * @param  list<StepNoteData>  $notes
     */
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $title,
        #[OA\Property] public string $process,
        #[OA\Property(description: 'as shipped')] public int $version,
        #[OA\Property(description: 'the how manieth own way is in force; 0 as shipped')] public int $own,
        #[OA\Property(description: 'why the own way is not in force, where it no longer goes with what is shipped')]
        public ?string $fault,
        #[OA\Property(description: 'approved entry in force, 0 for none; sent back with a proposal')] public int $after,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties())] public object $shipped,
        #[OA\Property(
            description: 'as it is worked',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(),
        )]
        public object $worked,
        #[OA\Property(
            description: 'that are in force',
            type: 'array',
            items: new OA\Items(type: 'object', additionalProperties: new OA\AdditionalProperties()),
        )]
        public array $changes,
        #[OA\Property(
            description: 'what is otherwise than shipped, in words',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $says,
        #[OA\Property(
            description: 'what to think of with them',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $doubts,
        #[OA\Property(
            description: 'that nobody has decided on, newest first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/ProcedureEntryData'),
        )]
        public array $proposals,
        #[OA\Property(
            description: 'what was decided, newest first, the last twenty',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/ProcedureEntryData'),
        )]
        public array $log,
        #[OA\Property(
            description: 'written in its runs, newest first, the last thirty',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/StepNoteData'),
        )]
        public array $notes,
    ) {
    }
}
