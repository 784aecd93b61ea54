<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** One piece of a run: where it is on its own clock. */
#[OA\Schema]
final readonly class PieceData
{
    /**
     * @param  list<string>  $done
     * @param  list<TimerData>  $timers
     * @param  list<string>  $missing
     * @param  list<string>  $flags
     */
    public function __construct(
        #[OA\Property] public int $piece,
        #[OA\Property(enum: ['open', 'done', 'dropped'])] public string $outcome,
        #[OA\Property] public ?string $step,
        #[OA\Property(description: 'seconds since 1970 UTC')] public float $step_since,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $done,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/TimerData'))] public array $timers,
        #[OA\Property(description: 'when each item was confirmed, by step', type: 'object')] public object $confirmed,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $missing,
        #[OA\Property(
            description: 'what it was made under that a good one is not',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $flags,
        #[OA\Property(
            description: 'what its taps measured, s, by figure',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'number'),
        )]
        public object $clocked,
    ) {
    }
}
