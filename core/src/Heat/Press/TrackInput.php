<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Calculator\InputError;

final readonly class TrackInput implements Checked
{
    /** @param  list<PlatenReading>  $readings */
    public function __construct(
        #[Flatten] public PressCycleInput $cycle,
        #[Field('since the sheet went in', 's', min: 0, max: 86400)] public float $now_s,
        #[Field('of a hot platen, in order', of: PlatenReading::class, atMost: 20000)] public array $readings,
    ) {
    }

    public function check(): void
    {
        if ($this->cycle->press === null) {
            throw new InputError(
                'press',
                'is required: what this press can do, from its plate or learnt from its runs',
            );
        }
    }
}
