<?php

declare(strict_types=1);

namespace App\Runs\Data;

use Dithermic\Core\Process\OnRack;
use OpenApi\Attributes as OA;

/** A hot strip on its rack, as it is now by the model. */
#[OA\Schema]
final readonly class RackStripData
{
    public function __construct(
        #[OA\Property(description: 'that cut it')] public string $run_id,
        #[OA\Property] public int $piece,
        #[OA\Property(description: 's since 1970 UTC')] public float $cut_at,
        #[OA\Property(description: 's since 1970 UTC: until then it shortens the soak')] public float $keeps_until,
        #[OA\Property(description: 'g')] public float $mass_g,
        #[OA\Property(description: 'mm: one shot')] public float $length_mm,
        #[OA\Property(description: '°C')] public float $core_c,
        #[OA\Property(description: 'min, of a full barrel of such strips')] public float $soak_min,
        #[OA\Property(description: 'over a cold one')] public bool $gains,
    ) {
    }

    public static function of(string $run, OnRack $strip): self
    {
        return new self(
            $run,
            $strip->piece,
            $strip->cutAt,
            $strip->keepsUntil,
            $strip->massG,
            $strip->lengthMm,
            round($strip->coreC, 1),
            round($strip->soakMin, 1),
            $strip->gains,
        );
    }
}
