<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

final readonly class LotFacts
{
    public function __construct(
        #[Field('polymer code, or UNKNOWN')] public string $polymer,
        #[Field('what the shop calls the lot')] public ?string $label = null,
        public SourceState $source_state = SourceState::Accepted,
        public DryState $dry_state = DryState::Unknown,
    ) {
    }

    public function name(): string
    {
        return $this->label ?? $this->polymer;
    }
}
