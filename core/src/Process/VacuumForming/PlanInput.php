<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Field;

final readonly class PlanInput
{
    public function __construct(
        #[Field('code of a polymer in the library')] public string $polymer,
        public FormedSettings $product = new FormedSettings,
        #[Field('kept with the product on this machine')] public ?FormedSettings $recipe = null,
        #[Field('what the recipe is called')] public string $recipe_name = 'recipe',
        #[Field('moved by a person')] public ?FormedSettings $settings = null,
        public FormerFacts $machine = new FormerFacts,
        #[Field('tank, blower_then_tank or pump; what the former has unless given')] public ?PullBy $pull_by = null,
        public CoolHow $cool_how = CoolHow::Held,
        public ?MouldFacts $mould = null,
    ) {
    }
}
