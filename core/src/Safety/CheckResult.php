<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class CheckResult extends Result
{
    /**
     * @param  list<Block>  $blocks
     * @param  list<string>  $cautions
     * @param  list<string>  $required_ppe
     * @param  list<Acknowledgement>  $acknowledgements
     */
    public function __construct(
        #[Field('reasons why the run may not start', of: Block::class)] public readonly array $blocks,
        #[Field('to know before starting', of: 'string')] public readonly array $cautions,
        #[Field('protection to wear', of: 'string')] public readonly array $required_ppe,
        #[Field(
            'what a person at the machine has to confirm',
            of: Acknowledgement::class,
        )]
        public readonly array $acknowledgements,
    ) {
    }

    /**
     * What stops a lot from going into a run that is under way. It need not hold all that such a run begins with, and
     * what only a lead may pass wants a run of its own.
     *
     * @return list<Block>
     */
    public function stopsOtherLot(): array
    {
        return array_values(array_filter(
            $this->blocks,
            static fn (Block $block): bool => $block->id !== 'stock_short',
        ));
    }

    /**
     * The blocks that stand after a lead's written overrides.
     *
     * @param  list<string>  $overridden  ids that a lead has overridden in writing
     * @return list<Block>
     */
    public function standing(array $overridden): array
    {
        return array_values(array_filter(
            $this->blocks,
            static fn (Block $block): bool => $block->who_may_override === Block::NOBODY || ! in_array(
                $block->id,
                $overridden,
                true,
            ),
        ));
    }
}
