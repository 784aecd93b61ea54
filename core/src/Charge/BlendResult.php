<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class BlendResult extends Result
{
    /**
     * @param  list<BlendComponent>  $components
     */
    public function __construct(
        #[Field('in the order given', '', of: BlendComponent::class)] public readonly array $components,
        #[Field('', 'g')] public readonly float $total_rounded_g,
        #[Field('of the blend; null if any is missing', 'g/cm3')] public readonly ?float $density_g_cm3,
        #[Field('when a pinch is too small for the scale')] public readonly ?Premix $premix,
        #[Field('of the mass, melted before', '%')] public readonly float $regrind_pct = 0.0,
        #[Field('parts of the rest to one of masterbatch; null without any')] public readonly ?float $let_down = null,
    ) {
    }
}
