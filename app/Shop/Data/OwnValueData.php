<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** A value of a polymer that the shop may set: the library's, its own, and who said what when. */
#[OA\Schema]
final readonly class OwnValueData
{
    /** @param  list<OwnValueEntryData>  $log */
    public function __construct(
        #[OA\Property] public string $path,
        #[OA\Property] public string $title,
        #[OA\Property] public string $unit,
        #[OA\Property(description: 'the least that it can be set to')] public float $low,
        #[OA\Property] public float $high,
        #[OA\Property(description: 'what the library says')] public ?float $library,
        #[OA\Property(description: 'the shop\'s own in force; null where it is the library\'s')] public ?float $own,
        #[OA\Property(
            description: 'oldest first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/OwnValueEntryData'),
        )]
        public array $log,
        #[OA\Property(description: 'newest entry, to be said again with the next')] public int $after,
    ) {
    }
}
