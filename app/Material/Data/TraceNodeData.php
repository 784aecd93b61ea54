<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** A source, a lot or a run in a trace. */
#[OA\Schema]
final readonly class TraceNodeData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property(enum: ['source', 'lot', 'run'])] public string $kind,
        #[OA\Property] public string $title,
        #[OA\Property] public string $says,
        #[OA\Property(description: 'the screen where it stands')] public string $link,
        #[OA\Property(description: 'from the left')] public int $column,
        #[OA\Property(
            description: 'forward: of it that is of what is traced; back: of what is traced that is of it',
        )]
        public float $share,
        #[OA\Property] public float $grams,
        #[OA\Property(description: 'all of it, or none: nothing else could be in it')] public bool $sure,
        #[OA\Property(description: 'of a run')] public ?int $good,
        #[OA\Property(description: 'of a run, seconds since 1970 UTC')] public ?float $at,
        #[OA\Property(
            description: 'forward, of a run that went over to another lot: its pieces that have of it; null: all alike',
        )]
        public ?string $pieces,
    ) {
    }
}
