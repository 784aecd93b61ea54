<?php

declare(strict_types=1);

namespace App\Data;

use OpenApi\Attributes as OA;

/** The bodies that screens send; checked by the form requests. */
#[OA\Schema(schema: 'PlanRequest', required: ['product_id', 'machines'], properties: [
    new OA\Property(property: 'product_id', type: 'integer'),
    new OA\Property(
        property: 'machines',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(type: 'integer', nullable: true),
        description: 'by the places of the process, as GET processes names them',
    ),
    new OA\Property(property: 'lot_id', type: 'integer', nullable: true),
    new OA\Property(property: 'charge_id', type: 'string', nullable: true),
    new OA\Property(property: 'polymer', type: 'string', nullable: true),
    new OA\Property(
        property: 'settings',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(type: 'number', nullable: true),
    ),
    new OA\Property(
        property: 'choices',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(type: 'string'),
    ),
    new OA\Property(
        property: 'answers',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(type: 'boolean'),
    ),
    new OA\Property(property: 'scale', type: 'string', enum: ['small_trial', 'full_trial', 'production']),
], type: 'object')]
#[OA\Schema(schema: 'StartRunRequest', type: 'object', allOf: [
    new OA\Schema(ref: '#/components/schemas/PlanRequest'),
    new OA\Schema(type: 'object', required: ['id', 'lot_id', 'confirmed_by'], properties: [
        new OA\Property(property: 'id', type: 'string', format: 'uuid'),
        new OA\Property(property: 'lot_id', type: 'integer'),
        new OA\Property(
            property: 'confirmed_by',
            type: 'integer',
            description: 'who has looked at protection and air: the one who starts',
        ),
        new OA\Property(
            property: 'overrides',
            type: 'array',
            items: new OA\Items(
                type: 'object',
                required: ['id', 'reason'],
                properties: [
                    new OA\Property(property: 'id', type: 'string'),
                    new OA\Property(property: 'reason', type: 'string'),
                ],
            ),
        ),
    ]),
])]
#[OA\Schema(
    schema: 'SaidFacts',
    type: 'object',
    description: 'by name, as GET machine-kinds lists them; null is not known',
    additionalProperties: new OA\AdditionalProperties(type: 'object', required: ['value'], properties: [
        new OA\Property(property: 'value', type: 'number', nullable: true),
        new OA\Property(property: 'origin', type: 'string', enum: ['plate', 'measured', 'fitted', 'unknown']),
    ]),
)]
#[OA\Schema(schema: 'ProductBody', type: 'object', required: ['name', 'process', 'polymer', 'dimensions'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'process', type: 'string'),
    new OA\Property(property: 'polymer', type: 'string'),
    new OA\Property(
        property: 'dimensions',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(type: 'number', nullable: true),
        description: 'by name, as GET processes lists the settings',
    ),
    new OA\Property(property: 'note', type: 'string'),
    new OA\Property(property: 'after_revision', type: 'integer', description: 'of a change: what was seen'),
])]
#[OA\Schema(schema: 'NewEvent', type: 'object', required: ['key', 'type', 'at', 'data'], properties: [
    new OA\Property(property: 'key', type: 'string'),
    new OA\Property(property: 'type', type: 'string'),
    new OA\Property(property: 'at', type: 'number', description: 'seconds since 1970 UTC'),
    new OA\Property(property: 'by_id', type: 'integer', nullable: true),
    new OA\Property(
        property: 'sitting',
        type: 'string',
        nullable: true,
        description: 'proof of who sat at the screen then, from the sign-in',
    ),
    new OA\Property(property: 'source', type: 'string', enum: ['signal', 'tap', 'typed']),
    new OA\Property(property: 'data', type: 'object', additionalProperties: new OA\AdditionalProperties),
])]
#[OA\Schema(schema: 'DeliverLotRequest', type: 'object', required: [
    'id',
    'source_id',
    'polymer',
    'form',
    'colour',
    'swatch',
    'mass_g',
], properties: [
    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
    new OA\Property(property: 'source_id', type: 'integer'),
    new OA\Property(property: 'polymer', type: 'string'),
    new OA\Property(property: 'form', type: 'string'),
    new OA\Property(property: 'colour', type: 'string'),
    new OA\Property(property: 'swatch', type: 'string'),
    new OA\Property(property: 'location', type: 'string', nullable: true),
    new OA\Property(property: 'mass_g', type: 'number'),
    new OA\Property(property: 'generation', type: 'integer'),
    new OA\Property(property: 'tare_g', type: 'number', nullable: true),
    new OA\Property(property: 'reserved_for_id', type: 'integer', nullable: true),
    new OA\Property(property: 'picture_id', type: 'string', nullable: true),
    new OA\Property(
        property: 'sheet',
        type: 'object',
        nullable: true,
        additionalProperties: new OA\AdditionalProperties,
    ),
])]
#[OA\Schema(schema: 'LotActRequest', type: 'object', required: ['id', 'kind'], properties: [
    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
    new OA\Property(
        property: 'kind',
        type: 'string',
        enum: ['split', 'shred', 'count', 'waste', 'place', 'contamination', 'identify', 'put_right', 'doubt'],
    ),
], additionalProperties: new OA\AdditionalProperties)]
#[OA\Schema(schema: 'MergeLotsRequest', type: 'object', required: ['lots'], properties: [
    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
    new OA\Property(property: 'preview', type: 'boolean'),
    new OA\Property(
        property: 'lots',
        type: 'array',
        items: new OA\Items(
            type: 'object',
            required: ['id', 'mass_g'],
            properties: [
                new OA\Property(property: 'id', type: 'integer'),
                new OA\Property(property: 'mass_g', type: 'number'),
            ],
        ),
    ),
    new OA\Property(property: 'location', type: 'string'),
    new OA\Property(property: 'tare_g', type: 'number', nullable: true),
])]
final class RequestSchemas
{
}
