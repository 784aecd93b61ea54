<?php

declare(strict_types=1);

namespace App\Material\Data;

use App\Support\Seconds;
use Carbon\CarbonImmutable;
use Dithermic\Core\Drying\PlanResult;
use OpenApi\Attributes as OA;

/** A dryer run as it would be. */
#[OA\Schema]
final readonly class DryPlanData
{
    public function __construct(
        #[OA\Property] public string $needed,
        #[OA\Property] public ?float $hours,
        #[OA\Property] public ?float $ready_at,
        #[OA\Property] public ?float $start_by,
        #[OA\Property] public ?float $air_c,
        #[OA\Property] public string $because,
    ) {
    }

    public static function of(PlanResult $plan): self
    {
        $time = static fn (?string $iso): ?float => $iso === null ? null : Seconds::of(CarbonImmutable::parse($iso));

        return new self(
            $plan->needed,
            $plan->hours,
            $time($plan->ready_at),
            $time($plan->start_by),
            $plan->air_c,
            $plan->because,
        );
    }
}
