<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Field;

final readonly class Finding
{
    public function __construct(
        public string $id,
        #[Field('stop, warn or ok')] public string $severity,
        public string $what,
        public string $because,
        public string $do,
    ) {
    }
}
