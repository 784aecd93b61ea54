<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\Field;

final readonly class PlanInput
{
    public function __construct(
        #[Field('code of a polymer in the library')] public string $polymer,
        #[Field('when the dryer goes on, ISO 8601')] public string $start,
        #[Field('drying air; the library\'s usual unless given', '°C', min: 0, max: 300)] public ?float $air_c = null,
        #[Field(
            'pellet, flake, which dries quicker, or sheet, which must keep its shape',
        )]
        public Form $form = Form::Pellet,
        #[Field('when a run wants it, ISO 8601')] public ?string $wanted_at = null,
        #[Field(
            'the shop\'s own rule, which goes before the library',
            'h',
            above: 0,
            max: 1000,
        )]
        public ?float $own_hours = null,
        #[Field('and the air that it holds for', '°C', min: 0, max: 300)] public ?float $own_air_c = null,
    ) {
    }
}
