<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;

/** One thing that a mould wants of a machine, against what the machine has. */
final readonly class FitReason
{
    public function __construct(
        #[Field('what is compared')] public string $id,
        #[Field] public bool $ok,
        #[Field('in words')] public string $says,
        #[Field('what the mould wants')] public float $needs,
        #[Field('what the machine has')] public float $has,
    ) {
    }
}
