<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/** The solid's density: as given, or the library's for a polymer. g/cm3. */
final class Density
{
    public static function of(?float $given, ?string $polymer, PolymerLibrary $library): float
    {
        $known = $polymer === null ? null : $library->get($polymer)->property('density_g_cm3');

        return $given ?? $known ?? throw new InputError('density_g_cm3', $polymer === null
            ? 'give a density, or name a polymer'
            : "the library has no density for {$polymer}: give it");
    }
}
