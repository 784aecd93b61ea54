<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;

final readonly class FitsInput
{
    public function __construct(
        public InjectorFacts $machine,
        public MouldFacts $mould,
        public PartFacts $part = new PartFacts,
        #[Field('code of a polymer in the library')] public ?string $polymer = null,
    ) {
    }
}
