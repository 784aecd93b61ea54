<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** Whether a mould goes into one of the shop's machines. */
#[OA\Schema]
final readonly class FitData
{
    /**
     * @param  list<string>  $against
     * @param  list<string>  $unknown
     */
    public function __construct(
        #[OA\Property] public int $machine_id,
        #[OA\Property] public string $machine,
        #[OA\Property(description: 'nothing that is known speaks against it')] public bool $fits,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $against,
        #[OA\Property(
            description: 'what could not be looked at: a fact is missing',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $unknown,
    ) {
    }
}
