<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;

/** One dilution of a premix: some of the one before, into more carrier. */
final readonly class PremixStage
{
    public function __construct(
        #[Field('the component, or the premix before')] public string $from,
        #[Field('weigh this', 'g')] public float $take_g,
        #[Field('into this', 'g')] public float $carrier_g,
        #[Field('makes this', 'g')] public float $premix_g,
    ) {
    }
}
