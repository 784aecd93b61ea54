<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class WallResult extends Result
{
    /**
     * @param  list<WallPoint>  $walls
     */
    public function __construct(
        #[Field('from the rim down', '', of: WallPoint::class)] public readonly array $walls,
        #[Field('', 'mm')] public readonly float $thinnest_mm,
        #[Field('corner or tip')] public readonly string $where,
        #[Field('', '%')] public readonly float $volume_error_pct,
    ) {
    }
}
