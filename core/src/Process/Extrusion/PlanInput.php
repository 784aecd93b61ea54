<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\Field;

final readonly class PlanInput
{
    public function __construct(
        #[Field('code of a polymer in the library')] public string $polymer,
        public BarSettings $product = new BarSettings,
        #[Field('kept with the product on this machine')] public ?BarSettings $recipe = null,
        #[Field('what the recipe is called')] public string $recipe_name = 'recipe',
        #[Field('moved by a person')] public ?BarSettings $settings = null,
        public ExtruderFacts $machine = new ExtruderFacts,
        public StripRule $strip_rule = StripRule::SkinCarries,
        public ?MouldFacts $mould = null,
        #[Field('closed, open or vacuum; what the barrel has unless given')] public ?Venting $venting = null,
    ) {
    }
}
