<?php

declare(strict_types=1);

namespace Dithermic\Core\Material;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Range;

/**
 * What a shop has set for itself, held against the other values of the same polymer: windows in order and under the
 * ceiling, stiff before it melts, loose lighter than solid.
 */
final class OwnValues
{
    private const BOUNDS = ['min' => 'from', 'typical' => 'usually', 'max' => 'to'];

    /** What a temperature of a process is called where it is no plain word. */
    private const NAMES = ['platen_c' => 'platens', 'melt_c' => 'melt'];

    /**
     * What of a polymer a shop may set: its ceiling, where it comes out, its masses, and each temperature by which a
     * process works it. What no process works has no windows to set.
     *
     * @return list<OwnValue>
     */
    public static function of(Polymer $polymer): array
    {
        $values = [];
        if ($polymer->ceiling() !== null) {
            $values[] = new OwnValue('degradation_c.ceiling', 'Ceiling', '°C', 60, 400);
        }
        if ($polymer->typical('demould_c') !== null) {
            $values[] = new OwnValue('demould_c.typical', 'Take out at', '°C', 20, 200);
        }
        if ($polymer->typical('density_solid_g_cm3') !== null) {
            $values[] = new OwnValue('density_solid_g_cm3.typical', 'Solid', 'g/cm³', 0.5, 3);
        }
        if ($polymer->typical('bulk_density_flake_g_cm3') !== null) {
            $values[] = new OwnValue('bulk_density_flake_g_cm3.typical', 'Loose flake', 'g/cm³', 0.02, 2);
        }
        foreach ($polymer->data->eachBy('process') as $process => $window) {
            if ($polymer->whyNot($process) !== null) {
                continue;
            }
            foreach ($window->of as $key => $value) {
                $key = (string) $key;
                if (! str_ends_with($key, '_c')) {
                    continue;
                }
                $title = ucfirst(str_replace('_', ' ', $process)).', '.self::called($key);
                $path = "process.{$process}.{$key}";
                if (! is_array($value)) {
                    $values[] = new OwnValue($path, $title, '°C', 20, 400);

                    continue;
                }
                foreach (self::BOUNDS as $bound => $word) {
                    $values[] = new OwnValue("{$path}.{$bound}", "{$title} {$word}", '°C', 5, 400);
                }
            }
        }

        return $values;
    }

    /** @throws InputError where it is none of those, or outside what can be */
    public static function mustBe(Polymer $polymer, string $path, ?float $value): OwnValue
    {
        foreach (self::of($polymer) as $own) {
            if ($own->path !== $path) {
                continue;
            }
            if ($value !== null && ($value < $own->low || $value > $own->high)) {
                throw new InputError('value', "must lie between {$own->low} and {$own->high} {$own->unit}");
            }

            return $own;
        }

        throw new InputError('path', "is nothing that a shop sets of {$polymer->code}: choose one of the list");
    }

    /** @return list<string> what contradicts what, in words; empty when all agree */
    public static function faults(Polymer $polymer): array
    {
        $faults = [];
        $ceiling = $polymer->ceiling();
        foreach ($polymer->data->eachBy('process') as $process => $windows) {
            foreach (array_map(strval(...), array_keys($windows->of)) as $key) {
                $window = str_ends_with($key, '_c') && is_array($windows->of[$key]) ? $windows->range($key) : null;
                if ($window !== null) {
                    $name = self::called($key).($process === 'extrusion' ? ' of the extruder' : '');
                    array_push($faults, ...self::ofWindow($name, $window, $ceiling));
                }
            }
        }
        array_push($faults, ...self::ofSheet($polymer, $ceiling));
        $platen = $polymer->process('compression')->mayNumber('platen_c.min');
        $demould = $polymer->property('demould_c');
        $fluid = $polymer->property('tm_c') ?? (
            $polymer->property('tg_c') === null ? null : $polymer->property('tg_c') + 40
        );
        // Softened with plasticiser it stays limp above its glass transition, and is never heated here.
        if ($demould !== null && $fluid !== null && ! $polymer->neverHot() && $demould >= $fluid) {
            $faults[] = sprintf('it comes out at %s °C and is still fluid above %s °C', $demould, $fluid);
        }
        if ($demould !== null && $platen !== null && $demould >= $platen) {
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

    /** @return list<string> */
    private static function ofWindow(string $name, Range $window, ?float $ceiling): array
    {
        $faults = [];
        if (! ($window->min <= $window->typical && $window->typical <= $window->max)) {
            $faults[] = sprintf(
                'the window of the %s is out of order: %s, usually %s, to %s °C',
                $name,
                $window->min,
                $window->typical,
                $window->max,
            );
        }
        if ($ceiling !== null && $window->typical > $ceiling) {
            $faults[] = sprintf(
                'the usual %s of %s °C are above the ceiling of %s °C',
                $name,
                $window->typical,
                $ceiling,
            );
        }

        return $faults;
    }

    /** @return list<string> of a sheet that is formed: lower, normal, upper, under the ceiling */
    private static function ofSheet(Polymer $polymer, ?float $ceiling): array
    {
        $of = $polymer->process('vacuum_forming');
        if (! $of->has('sheet_lower_c') || ! $of->has('sheet_normal_c') || ! $of->has('sheet_upper_c')) {
            return [];
        }
        [$lower, $normal, $upper] = [
            $of->number('sheet_lower_c'),
            $of->number('sheet_normal_c'),
            $of->number('sheet_upper_c'),
        ];
        $faults = [];
        if (! ($lower <= $normal && $normal <= $upper)) {
            $faults[] = sprintf(
                'the sheet\'s window is out of order: %s, usually %s, to %s °C',
                $lower,
                $normal,
                $upper,
            );
        }
        if ($ceiling !== null && $normal > $ceiling) {
            $faults[] = sprintf(
                'the sheet is formed at %s °C, above the ceiling of %s °C',
                $normal,
                $ceiling,
            );
        }

        return $faults;
    }

    private static function called(string $key): string
    {
        return self::NAMES[$key] ?? str_replace('_', ' ', substr($key, 0, -2));
    }
}
