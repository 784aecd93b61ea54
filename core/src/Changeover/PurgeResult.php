<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\Result;

final class PurgeResult extends Result
{
    /**
     * @param  list<string>|null  $route
     * @param  list<float>  $set_c
     */
    public function __construct(
        #[Field('polymer codes; null where there is no way', '', of: 'string')] public readonly ?array $route,
        #[Field('for each leg', '°C', of: 'number')] public readonly array $set_c,
        #[Field('null where there is no way', 'cm3')] public readonly ?float $volume_cm3,
        #[Field('null where there is no way', 'g')] public readonly ?float $mass_g,
        #[Field('null without a throughput', 'min')] public readonly ?float $minutes,
        #[Field(
            'a pair that must not meet in a hot barrel, or what to do where there is no way',
        )]
        public readonly ?string $stop,
    ) {
    }
}
