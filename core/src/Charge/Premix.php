<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

/** A premix; where one would take more carrier than the batch, several in a row, and the numbers are the last one's. */
final readonly class Premix
{
    /** @param  list<PremixStage>  $stages */
    public function __construct(
        public string $component,
        public string $carrier,
        #[Field('weigh this', 'g')] public float $component_g,
        #[Field('into this', 'g')] public float $carrier_g,
        #[Field('makes this', 'g')] public float $premix_g,
        #[Field('take this of it', 'g')] public float $use_g,
        #[Field('and this of the carrier', 'g')] public float $carrier_left_g,
        #[Field('one after the other', of: PremixStage::class)] public array $stages,
    ) {
    }
}
