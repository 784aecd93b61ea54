<?php

declare(strict_types=1);

namespace App\Data;

use OpenApi\Attributes as OA;

/** A page of runs, newest first. */
#[OA\Schema]
final readonly class RunPageData
{
    /**
     * @param  list<RunSummaryData>  $items
     */
    public function __construct(
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/RunSummaryData'),
        )] public array $items,
        #[OA\Property] public ?string $next,
    ) {
    }
}
