<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** Something that a part can have wrong. */
#[OA\Schema]
final readonly class DefectData
{
    /**
     * @param  list<string>  $where
     * @param  list<string>  $cautions
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $looks_like,
        #[OA\Property] public string $how_to_check,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $where,
        #[OA\Property(
            description: 'before anything else',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $cautions,
    ) {
    }
}
