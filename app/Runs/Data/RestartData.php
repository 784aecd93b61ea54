<?php

declare(strict_types=1);

namespace App\Runs\Data;

use Dithermic\Core\Heat\Barrel\RestartResult;
use OpenApi\Attributes as OA;

/** What a machine needs before the next piece after it lost its heat. */
#[OA\Schema]
final readonly class RestartData
{
    /** @param  list<string>  $cautions */
    public function __construct(
        #[OA\Property(description: 'min')] public float $off_min,
        #[OA\Property(description: '°C; null where nobody can say')] public ?float $barrel_c,
        #[OA\Property(description: 'min before the next piece; null where nobody can say')] public ?float $wait_min,
        #[OA\Property] public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $cautions,
    ) {
    }

    /** @param  float  $leftMin  that the wait after an earlier break still had to go */
    public static function of(float $offMin, ?RestartResult $restart, float $leftMin): self
    {
        return new self(
            round($offMin, 1),
            $restart === null ? null : round($restart->barrel_c, 1),
            $restart === null ? null : round($restart->wait_min + $leftMin, 1),
            $restart === null
                ? 'What this machine holds is not modelled: say how long it needs until it is as hot as it was.'
                : $restart->explanation.($leftMin < 0.1 ? '' : sprintf(' And %.0f min that were left of the last time.', ceil($leftMin))),
            $restart->warnings ?? [],
        );
    }
}
