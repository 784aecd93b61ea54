<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Field;

/** A reason why the run may not start. */
final readonly class Block
{
    public const NOBODY = 'nobody';

    public const LEAD = 'lead';

    public function __construct(
        #[Field('kind of block; an override names it')] public string $id,
        #[Field('why')] public string $because,
        #[Field('nobody or lead')] public string $who_may_override,
        #[Field('what to do instead')] public string $do,
    ) {
    }
}
