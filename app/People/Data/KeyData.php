<?php

declare(strict_types=1);

namespace App\People\Data;

use OpenApi\Attributes as OA;

/** A token, without its secret. */
#[OA\Schema]
final readonly class KeyData
{
    /** @param  list<string>  $scopes */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $scopes,
        #[OA\Property] public ?string $machine,
        #[OA\Property] public string $by,
        #[OA\Property] public ?float $used_at,
        #[OA\Property] public ?float $ends_at,
    ) {
    }
}
