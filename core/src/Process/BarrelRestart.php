<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Closure;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Barrel\RestartResult;
use Dithermic\Core\Material\Polymer;

/** heat.barrel_restart asked for a machine of a run: a barrel's bore and heaters as they are known, the melt as it is set. */
final readonly class BarrelRestart
{
    public const ROOM_C = 20.0;

    public function __construct(private Registry $calculations)
    {
    }

    /**
     * @param  float|null  $boreMm  null where nobody has measured it: then nobody can say
     * @param  Closure(float): float  $heatUp  minutes from the room to a melt temperature, °C
     * @param  array<string, float|int|string|null>  $targets  of the run's plan: melt_c
     * @param  array<array-key, mixed>  $picture  that the plan was drawn from: what the machine takes over the physics
     */
    public function of(
        ?float $boreMm,
        bool $screw,
        Closure $heatUp,
        array $targets,
        array $picture,
        Polymer $polymer,
        float $offMin,
        ?float $readC,
    ): ?RestartResult {
        $meltC = (float) ($targets['melt_c'] ?? 0);
        if ($boreMm === null || $meltC <= self::ROOM_C) {
            return null;
        }
        $factor = ((array) ($picture['soak_input'] ?? []))['soak_factor'] ?? null;
        $restart = $this->calculations->run('heat.barrel_restart', [
            'polymer' => $polymer->code,
            'barrel_diameter_mm' => $boreMm,
            'wall_c' => $meltC,
            'off_min' => $offMin,
            'read_c' => $readC,
            'screw' => $screw,
            'room_c' => self::ROOM_C,
            'heat_k_min' => ($meltC - self::ROOM_C) / $heatUp($meltC),
            'soak_factor' => is_numeric($factor) ? (float) $factor : 1.0,
        ]);
        assert($restart instanceof RestartResult);

        return $restart;
    }
}
