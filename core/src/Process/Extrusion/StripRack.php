<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Heat\Barrel\StripAge;
use Dithermic\Core\Process\OnRack;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

/** The strips of a run that have not left their rack, oldest first, each as hot as heat.strip_feed says at its age. */
final readonly class StripRack
{
    private const TIMER = 'rack';

    /**
     * @param  array<string, float|int|string|null>  $targets
     * @param  array<array-key, mixed>  $picture  with the ages that the plan worked out
     * @return list<OnRack>
     */
    public static function of(RunState $state, array $targets, array $picture, float $now): array
    {
        $ages = array_values(array_map(
            static fn (mixed $age): StripAge => Reader::read(StripAge::class, (array) $age),
            (array) ($picture['strips'] ?? []),
        ));
        $strips = [];
        if ($ages === []) {
            return [];
        }
        foreach ($state->pieces as $number => $piece) {
            $timer = $piece->timers[self::TIMER] ?? null;
            if ($timer === null || $piece->outcome !== Thread::OPEN) {
                continue;
            }
            $at = StripAge::at($ages, max(0.0, $now - $timer['started_at']));
            $strips[] = new OnRack(
                $number,
                $timer['started_at'],
                $timer['ends_at'],
                (float) ($targets['charge_mass_g'] ?? 0),
                (float) ($targets['length_mm'] ?? 0),
                $at->core_c,
                $at->mean_c,
                $at->soak_min,
                $now < $timer['ends_at'],
            );
        }
        usort($strips, static fn (OnRack $a, OnRack $b): int => $a->cutAt <=> $b->cutAt);

        return $strips;
    }

    /** @return list<array{type: EventType, data: array<string, mixed>}> a strip goes to where it is fed */
    public static function off(int $piece): array
    {
        return [
            [
                'type' => EventType::Logged,
                'data' => ['entry' => 'disposition', 'values' => ['verdict' => 'good'], 'piece' => $piece],
            ],
            ['type' => EventType::StepDone, 'data' => ['step' => 'fed', 'piece' => $piece]],
        ];
    }
}
