<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What a timer that runs would be by what instruments measured. */
#[OA\Schema]
final readonly class TrackedData
{
    public function __construct(
        #[OA\Property(description: 'null in a run that is one pass')] public ?int $piece,
        #[OA\Property] public string $timer,
        #[OA\Property(enum: ['ok', 'warn', 'block'])] public string $state,
        #[OA\Property(description: 'why it moved')] public string $says,
        #[OA\Property(description: 'of what is waited for: the middle of a sheet')] public float $now_c,
        #[OA\Property(description: 'seconds since 1970 UTC; null when that never comes by itself')]
        public ?float $ready_at,
        #[OA\Property(description: 'the timer ends when it should')] public bool $on_time,
        #[OA\Property(description: 'whole minutes that the timer runs too short; 0 where it does not')]
        public float $more_min,
        #[OA\Property(description: 'seconds into the plan at which it would be as hot as it is now')]
        public float $as_if_s,
        #[OA\Property(description: 'when this was so, seconds since 1970 UTC')] public float $at,
        #[OA\Property(description: 'what is so hot now, in a word')] public string $of_what,
    ) {
    }
}
