<?php

declare(strict_types=1);

namespace App\Http;

use Attribute;
use OpenApi\Attributes as OA;

/** The one shape of a list: what stands on this page, and what to ask for as `after` to go on; null at the end. */
#[Attribute(Attribute::TARGET_METHOD)]
final class ListOf extends OA\JsonContent
{
    public function __construct(string $schema)
    {
        parent::__construct(
            type: 'object',
            required: ['items', 'next'],
            properties: [
                new OA\Property(
                    property: 'items',
                    type: 'array',
                    items: new OA\Items(ref: "#/components/schemas/{$schema}"),
                ),
                new OA\Property(
                    property: 'next',
                    description: 'ask again with it as `after`; null when there is no more',
                    type: 'string',
                    nullable: true,
                ),
            ],
        );
    }
}
