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
        #[Field(
            'what was found in a sample of it: other polymers, metal, earth',
            '',
            of: 'string',
            atMost: 60,
        )]
        public array $found = [],
        #[Field('flake, pellet, sheet, item …; not asked when not given')] public ?string $form = null,
        #[Field('what is left of it', 'g', min: 0, max: 1e9)] public ?float $held_g = null,
    ) {
    }

    public function name(): string
    {
        return $this->label ?? $this->polymer;
    }
}
