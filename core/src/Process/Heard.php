<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Field;

/** What an instrument told of a piece, without a touch. */
final readonly class Heard
{
    /**
     * @param  list<array{float, string}>  $marks  seconds into the stretch, and what happened there
     */
    public function __construct(
        #[Field('number of the piece')] public int $piece,
        #[Field] public string $title,
        #[Field] public CheckState $state,
        #[Field('in words')] public string $says,
        #[Field('moments in the stretch')] public array $marks,
    ) {
    }
}
