<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** What a file of a shop's zip does or would do. */
#[OA\Schema]
final readonly class ZipFileData
{
    /**
     * @param  list<array{row: int, field: string, message: string}>  $errors
     * @param  list<string>  $would
     */
    public function __construct(
        #[OA\Property(enum: ['machines', 'products', 'values', 'mixes', 'setups', 'finishing', 'procedures'])]
        public string $kind,
        #[OA\Property] public int $rows,
        #[OA\Property(type: 'array', items: new OA\Items(
            type: 'object',
            required: ['row', 'field', 'message'],
            properties: [
                new OA\Property(property: 'row', type: 'integer'),
                new OA\Property(property: 'field', type: 'string'),
                new OA\Property(property: 'message', type: 'string'),
            ],
        ))] public array $errors,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $would,
    ) {
    }
}
