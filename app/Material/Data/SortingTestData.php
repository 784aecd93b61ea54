<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** How a sorting test is done and what may be seen. */
#[OA\Schema]
final readonly class SortingTestData
{
    /**
     * @param  list<string>  $results
     * @param  list<string>|null  $only_for
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $how,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $results,
        #[OA\Property] public float $minutes,
        #[OA\Property] public ?string $caution,
        #[OA\Property(
            description: 'kinds of item that it is for; null for all',
            type: 'array',
            items: new OA\Items(type: 'string'),
            nullable: true,
        )]
        public ?array $only_for,
    ) {
    }
}
