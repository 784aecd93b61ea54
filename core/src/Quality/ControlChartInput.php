<?php

declare(strict_types=1);

namespace Dithermic\Core\Quality;

use Dithermic\Core\Calculator\Field;

final readonly class ControlChartInput
{
    /**
     * @param  list<mixed>  $data
     */
    public function __construct(
        public ChartKind $kind,
        #[Field('numbers, subgroups, or {n, defective}', '', atLeast: 2, atMost: 100000)] public array $data,
    ) {
    }
}
