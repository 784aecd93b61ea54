<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A time in which a run stood still. */
#[OA\Schema]
final readonly class BreakData
{
    public function __construct(
        #[OA\Property] public float $from,
        #[OA\Property(description: 'null while it still stands')] public ?float $to,
        #[OA\Property] public string $reason,
        #[OA\Property] public string $by,
    ) {
    }

    /** @param  array{from: float, to: ?float, reason: string, by: string}  $break */
    public static function of(array $break): self
    {
        return new self($break['from'], $break['to'], $break['reason'], $break['by']);
    }
}
