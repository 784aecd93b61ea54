<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

use Dithermic\Core\Calculator\Calc;

/**
 * Between gauge and absolute units; gauge = absolute − atmosphere.
 */
#[Calc('vacuum.convert', 'a vacuum in other units')]
final class Convert
{
    public function __invoke(ConvertInput $in): ConvertResult
    {
        $value = $in->to->fromAbsoluteKpa(
            $in->from->toAbsoluteKpa($in->value, $in->atmosphere_kpa),
            $in->atmosphere_kpa,
        );

        return (new ConvertResult($value))->explain(sprintf(
            '%.10g %s is %.6g %s.',
            $in->value,
            $in->from->value,
            $value,
            $in->to->value,
        ));
    }
}
