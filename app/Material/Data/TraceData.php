<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** Where material went, or came from. */
#[OA\Schema]
final readonly class TraceData
{
    /**
     * @param  list<TraceNodeData>  $nodes
     * @param  list<TraceFlowData>  $flows
     */
    public function __construct(
        #[OA\Property] public string $title,
        #[OA\Property(description: 'node that it is about')] public string $about,
        #[OA\Property(enum: ['forward', 'back'])] public string $way,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/TraceNodeData'))]
        public array $nodes,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/TraceFlowData'))]
        public array $flows,
        #[OA\Property(description: 'there is more than is shown')] public bool $more,
    ) {
    }
}
