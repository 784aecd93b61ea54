<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Safety\DryState;

/**
 * Lots put together in one container: one polymer only. The mixture is worth its weakest part: the least trusted
 * source, the oldest regrind, the wettest. Its colour to the eye is the mass-weighted mean in linear light (sRGB, IEC
 * 61966-2-1).
 */
final class Merge
{
    /** @param  list<Holding>  $holdings */
    public static function of(array $holdings): Merged
    {
        if (count($holdings) < 2) {
            throw new InputError('lots', 'needs at least two lots');
        }
        $first = $holdings[0];
        foreach ($holdings as $i => $holding) {
            match (true) {
                $holding->mass_g <= 0 => throw new InputError("lots.{$i}.mass_g", 'must be above 0 g'),
                $holding->polymer === 'UNKNOWN' => throw new InputError(
                    "lots.{$i}.id",
                    "{$holding->name} is not identified: nothing may be put to it, and it to nothing",
                ),
                $holding->polymer !== $first->polymer => throw new InputError(
                    "lots.{$i}.id",
                    "{$holding->name} is {$holding->polymer} and {$first->name} is {$first->polymer}: only one polymer goes into a container",
                ),
                default => null,
            };
        }
        $weakest = 0;
        foreach ($holdings as $i => $holding) {
            $weakest = $holding->source->trust() < $holdings[$weakest]->source->trust() ? $i : $weakest;
        }
        $changes = [];
        $names = static fn (array $some): string => implode(
            ' and ',
            array_map(static fn (Holding $h): string => $h->name, $some),
        );
        $lowered = array_filter(
            $holdings,
            static fn (Holding $h): bool => $h->source->trust() > $holdings[$weakest]->source->trust(),
        );
        if ($lowered !== []) {
            $changes[] = sprintf(
                '%s comes down to "%s", the source of %s.',
                $names($lowered),
                str_replace('_', ' ', $holdings[$weakest]->source->value),
                $holdings[$weakest]->name,
            );
        }
        $colours = array_values(array_unique(array_map(
            static fn (Holding $h): string => mb_strtolower($h->colour),
            $holdings,
        )));
        if (count($colours) > 1) {
            $changes[] = sprintf('The colours cannot be had apart again: %s.', implode(', ', $colours));
        }
        $generation = max(array_map(static fn (Holding $h): int => $h->generation, $holdings));
        $younger = array_filter($holdings, static fn (Holding $h): bool => $h->generation < $generation);
        if ($younger !== []) {
            $changes[] = sprintf('%s counts as regrind of pass %d from here on.', $names($younger), $generation);
        }
        $dry = DryState::Dry;
        foreach ($holdings as $holding) {
            $dry = self::wetness($holding->dry) > self::wetness($dry) ? $holding->dry : $dry;
        }
        $wetted = array_filter($holdings, static fn (Holding $h): bool => $h->dry->isDry() && ! $dry->isDry());
        if ($wetted !== []) {
            $changes[] = sprintf('%s was dry and is not any more.', $names($wetted));
        }
        $forms = array_values(array_unique(array_map(static fn (Holding $h): string => $h->form, $holdings)));
        if (count($forms) > 1) {
            $changes[] = sprintf('Forms are mixed: %s. Loose heights and feeding change.', implode(', ', $forms));
        }
        usort($holdings, static fn (Holding $a, Holding $b): int => $b->mass_g <=> $a->mass_g);

        return new Merged(
            array_sum(array_map(static fn (Holding $h): float => $h->mass_g, $holdings)),
            $first->polymer,
            $holdings[0]->form,
            count($colours) === 1 ? $first->colour : 'mixed: '.implode(', ', array_slice($colours, 0, 4)),
            Colour::mean(array_map(static fn (Holding $h): array => [$h->swatch, $h->mass_g], $holdings)),
            $generation,
            $dry,
            $weakest,
            $changes,
        );
    }

    private static function wetness(DryState $state): int
    {
        return (int) array_search(
            $state,
            [DryState::Dry, DryState::UseNow, DryState::Unknown, DryState::DryAgain],
            true,
        );
    }
}
