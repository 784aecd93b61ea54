<?php

declare(strict_types=1);

namespace Dithermic\Core\Finishing;

use Dithermic\Core\Calculator\Field;

/** What is done to a piece after it came out of its run: trim, drill, saw, sand, fit. */
final readonly class Operation
{
    /** @param  list<PartUse>  $uses */
    public function __construct(
        #[Field('in a word or two')] public string $title,
        #[Field('for each piece', 'min', above: 0, max: 1440)] public float $minutes,
        #[Field('whose hands it wants at once', '', min: 1, max: 4)] public int $people = 1,
        #[Field('bought-in parts', of: PartUse::class, atMost: 20)] public array $uses = [],
    ) {
    }
}
