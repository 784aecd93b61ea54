<?php

declare(strict_types=1);

namespace App\Shop\Data;

use Dithermic\Core\Process\Figure;
use Dithermic\Core\Process\Role;
use OpenApi\Attributes as OA;

/** A process that runs here, as the core defines it. */
#[OA\Schema]
final readonly class ProcessData
{
    /**
     * @param  list<Role>  $roles
     * @param  list<string>  $forms
     * @param  list<Figure>  $figures
     * @param  list<array{id: string, title: string, kind: string}>  $timers
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property(description: 'the setting that says how many pieces a run makes')] public ?string $counts,
        #[OA\Property(description: 'what one piece is called')] public string $piece,
        #[OA\Property(
            description: 'machines it is done on, the main one first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/Role'),
        )]
        public array $roles,
        #[OA\Property(
            description: 'forms in which it takes its material',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $forms,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Figure'))] public array $figures,
        #[OA\Property(
            description: 'its waits, in the words of its procedure',
            type: 'array',
            items: new OA\Items(properties: [
                new OA\Property(property: 'id', type: 'string'),
                new OA\Property(property: 'title', type: 'string'),
                new OA\Property(property: 'kind', type: 'string', enum: ['heat', 'cool', 'wait']),
            ], required: ['id', 'title', 'kind'], type: 'object'),
        )]
        public array $timers,
        #[OA\Property(
            description: 'where practitioners differ: title, default, why, choices',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties,
        )]
        public object $schools,
        #[OA\Property(
            description: 'the JSON Schema of the numbers that can be set',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties,
        )]
        public object $settings,
    ) {
    }
}
