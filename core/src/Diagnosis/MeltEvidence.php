<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Data\Range;

/** What a barrel tells: the melt in its window, the nozzle against it, and whether it was another polymer's before. */
final readonly class MeltEvidence
{
    /**
     * @param  Range|null  $window  in which the polymer is worked, °C
     * @return list<KnownSignal>
     */
    public static function of(Witness $of, ?Range $window): array
    {
        $signals = [];
        $zones = $of->logged('zones') ?? [];
        $barrel = $zones['barrel_c'] ?? null;
        if (is_numeric($barrel) && $window !== null && $window->max > $window->min) {
            $signals[] = new KnownSignal(
                'melt_temp_vs_window',
                round(((float) $barrel - $window->min) / ($window->max - $window->min), 3),
                sprintf('the barrel as it was logged, %.0f °C', (float) $barrel),
            );
        }
        $set = $of->number('melt_c');
        if (is_numeric($zones['nozzle_c'] ?? null) && $set !== null) {
            $signals[] = new KnownSignal(
                'nozzle_temp_offset_k',
                (float) $zones['nozzle_c'] - $set,
                'the nozzle as it was logged',
            );
        }
        $before = $of->polymerBefore;
        if ($before === null) {
            return $signals;
        }
        $purged = $of->logged('purge')['what'] ?? null;
        $state = match (true) {
            $before === $of->polymer->code => 'same_material',
            $purged === 'smooth' => 'purged_clean',
            $purged === 'old colour' => 'not_purged',
            default => null,
        };
        if ($state !== null) {
            $signals[] = new KnownSignal('purge_state', $state, "the run before it was {$before}");
        }

        return $signals;
    }
}
