<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

/**
 * What a shop has set for itself, held against the other values of the same polymer: windows in order and under the
 * ceiling, stiff before it melts, loose lighter than solid.
 */
final class OwnValues
{
    /** @return list<string> what contradicts what, in words; empty when all agree */
    public static function faults(Polymer $polymer): array
    {
        $faults = [];
        $ceiling = $polymer->ceiling();
        foreach ([
            ['compression', 'platen_c', 'platens'],
            ['injection', 'melt_c', 'melt'],
            ['extrusion', 'melt_c', 'melt of the extruder'],
        ] as [$process, $key, $name]) {
            $window = $polymer->process($process)[$key] ?? null;
            if (! is_array($window)) {
                continue;
            }
            if (! ($window['min'] <= $window['typical'] && $window['typical'] <= $window['max'])) {
                $faults[] = sprintf(
                    'the window of the %s is out of order: %s, usually %s, to %s °C',
                    $name,
                    $window['min'],
                    $window['typical'],
                    $window['max'],
                );
            }
            if ($ceiling !== null && $window['typical'] > $ceiling) {
                $faults[] = sprintf(
                    'the usual %s of %s °C are above the ceiling of %s °C',
                    $name,
                    $window['typical'],
                    $ceiling,
                );
            }
        }
        $platen = $polymer->process('compression')['platen_c']['min'] ?? null;
        $demould = $polymer->property('demould_c');
        $fluid = $polymer->property('tm_c') ?? (
            $polymer->property('tg_c') === null ? null : $polymer->property('tg_c') + 40
        );
        if ($demould !== null && $fluid !== null && $demould >= $fluid) {
            $faults[] = sprintf('it comes out at %s °C and is still fluid above %s °C', $demould, $fluid);
        }
        if ($demould !== null && is_numeric($platen) && $demould >= $platen) {
            $faults[] = sprintf('it comes out at %s °C, hotter than the coldest platens (%s °C)', $demould, $platen);
        }
        $solid = $polymer->property('density_g_cm3');
        $bulk = $polymer->property('bulk_density_g_cm3');
        if ($solid !== null && $bulk !== null && $bulk > $solid) {
            $faults[] = sprintf('loose flake of %s g/cm³ is heavier than the solid (%s g/cm³)', $bulk, $solid);
        }
        $melt = $polymer->property('density_melt_g_cm3');
        if ($solid !== null && $melt !== null && $melt > $solid) {
            $faults[] = sprintf('the melt of %s g/cm³ is heavier than the solid (%s g/cm³)', $melt, $solid);
        }

        return $faults;
    }
}
