<?php

declare(strict_types=1);

namespace App\Runs\Data;

use Dithermic\Core\Process\Carried;
use OpenApi\Attributes as OA;

/** A kept set-up, worked out for another machine or mould. */
#[OA\Schema]
final readonly class CarriedData
{
    /** @param  list<string>  $cautions */
    public function __construct(
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'number'))]
        public object $values,
        #[OA\Property] public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $cautions,
    ) {
    }

    public static function of(Carried $of): self
    {
        return new self(
            (object) array_map(static fn (float $v): float => round($v, 3), $of->values),
            $of->says,
            $of->cautions,
        );
    }
}
