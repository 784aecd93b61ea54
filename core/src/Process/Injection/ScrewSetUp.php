<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Flatten;
use Dithermic\Core\Force\ScrewRecipe;

/** A screw machine's own numbers, as its controller shows them while it makes good parts. */
final readonly class ScrewSetUp
{
    public function __construct(
        #[Flatten] public ScrewRecipe $recipe,
        #[Field('', 'kN', above: 0, max: 1e6)] public ?float $clamp_kn = null,
    ) {
    }
}
