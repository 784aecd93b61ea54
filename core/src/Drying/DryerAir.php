<?php

declare(strict_types=1);

namespace Dithermic\Core\Drying;

use Dithermic\Core\Calculator\InputError;

/** A dryer has one air: what goes in beside other material takes the air that is there, or goes elsewhere. */
final class DryerAir
{
    /** what a dryer's own control holds, K */
    private const SAME_WITHIN_K = 1.0;

    /**
     * @param  list<array{string, float}>  $inside  what is in it, by name, and at which air, °C
     *
     * @throws InputError air_c, when this air is not the dryer's
     */
    public static function admit(string $dryer, array $inside, float $air): void
    {
        foreach ($inside as [$name, $there]) {
            if (abs($there - $air) > self::SAME_WITHIN_K) {
                throw new InputError(
                    'air_c',
                    sprintf(
                        '%s dries %s at %.0f °C and has one air: take that, wait until it is out, or use another dryer',
                        $dryer,
                        $name,
                        $there,
                    ),
                );
            }
        }
    }
}
