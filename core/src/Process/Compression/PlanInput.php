<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Compression;

use Dithermic\Core\Calculator\Field;

final readonly class PlanInput
{
    public function __construct(
        #[Field('code of a polymer in the library')] public string $polymer,
        public SheetSettings $product = new SheetSettings,
        #[Field('kept with the product on this press')] public ?SheetSettings $recipe = null,
        #[Field('what the recipe is called')] public string $recipe_name = 'recipe',
        #[Field('moved by a person')] public ?SheetSettings $settings = null,
        public HotPressFacts $machine = new HotPressFacts,
        public ?ColdPressFacts $cold = null,
        #[Field(
            'physics, or shop_rule; the shop\'s rule where the press is not known, else physics',
        )]
        public ?string $heat_rule = null,
        #[Field('kept with the recipe; gives way where the shop has given it up')]
        public ?string $recipe_heat_rule = null,
        public ChargeMethod $charge_method = ChargeMethod::TrueDensity,
        public PumpSchool $pump_school = PumpSchool::EveryMinutes,
    ) {
    }
}
