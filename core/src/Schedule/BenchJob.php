<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

/**
 * Finishing as a job of schedule.plan: at any free bench, in bundles of about ten minutes, so that it fits into the
 * waits of what is hot.
 */
final readonly class BenchJob
{
    public const TASK = 'finish';

    private const BUNDLE_MIN = 10.0;

    /**
     * @param  float  $pieceMin  for each piece, min; above 0
     * @param  int  $people  whose hands it wants at once
     * @param  int  $pieces  at least 1
     * @param  non-empty-list<string>  $benches  any one of them
     * @param  array<string, mixed>  $job  id, product, due and weight, as schedule.plan takes them
     * @return array<string, mixed> as schedule.plan takes it
     */
    public static function of(float $pieceMin, int $people, int $pieces, array $benches, array $job): array
    {
        $bundles = (int) max(1, min($pieces, ceil($pieces * $pieceMin / self::BUNDLE_MIN)));
        $minutes = round($pieces * $pieceMin / $bundles, 3);

        return $job + [
            'pieces' => $bundles,
            'tasks' => [[
                'id' => self::TASK,
                'stations' => array_map(
                    static fn (string $bench): array => ['station' => $bench, 'minutes' => $minutes],
                    $benches,
                ),
                'hands_start_min' => $minutes,
                'people' => $people,
            ]],
        ];
    }
}
