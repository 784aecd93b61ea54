<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Field;

/** Material that came out of a run and is no good piece: it is a lot again, once hotter than it was. */
final readonly class Leftover
{
    /** under it nobody keeps a tub for it, g */
    public const NOTHING_G = 0.5;

    public function __construct(
        #[Field] public string $id,
        #[Field] public string $title,
        #[Field('as a lot is: offcut, strip')] public string $form,
        #[Field('by the log and the plan', 'g')] public float $mass_g,
        #[Field('in words')] public string $because,
    ) {
    }
}
