<?php

declare(strict_types=1);

namespace Dithermic\Core\Cycle;

use Dithermic\Core\Calculator\Field;

final readonly class CycleStep
{
    /**
     * @param  list<string>  $needs
     */
    public function __construct(
        public string $id,
        #[Field('', 's', min: 0, max: 1e7)] public float $seconds,
        #[Field('resources held for the step', '', of: 'string', atMost: 50)] public array $needs,
    ) {
    }
}
