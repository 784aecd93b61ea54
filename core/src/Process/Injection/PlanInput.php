<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Field;

final readonly class PlanInput
{
    public function __construct(
        #[Field('code of a polymer in the library')] public string $polymer,
        public ShotSettings $product = new ShotSettings,
        #[Field('kept with the product on this machine')] public ?ShotSettings $recipe = null,
        #[Field('what the recipe is called')] public string $recipe_name = 'recipe',
        #[Field('moved by a person')] public ?ShotSettings $settings = null,
        public InjectorFacts $machine = new InjectorFacts,
        public SoakRule $soak_rule = SoakRule::Physics,
        public MouldMake $mould_make = MouldMake::Aluminium,
        public ?MouldFacts $mould = null,
    ) {
    }
}
