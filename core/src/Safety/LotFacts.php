<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

final readonly class LotFacts
{
    /** @param  list<string>  $found */
    public function __construct(
        #[Field('polymer code, or UNKNOWN')] public string $polymer,
        #[Field('what the shop calls the lot')] public ?string $label = null,
        public SourceState $source_state = SourceState::Accepted,
        public DryState $dry_state = DryState::Unknown,
        #[Field('other polymers found in a sample of it', '', of: 'string', atMost: 60)] public array $found = [],
    ) {
    }

    public function name(): string
    {
        return $this->label ?? $this->polymer;
    }
}
