<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

final readonly class MaterialState
{
    public function __construct(
        public string $polymer,
        public string $colour = '',
    ) {
    }
}
