<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Barrel\RestartResult;

/**
 * heat.barrel_restart asked for a barrel of a run: the melt as it is set, times what the machine takes over the
 * physics.
 */
final readonly class BarrelRestart
{
    public const ROOM_C = 20.0;

    public function __construct(private Registry $calculations)
    {
    }

    /**
     * @param  float|null  $boreMm  null where nobody has measured it: then nobody can say
     * @param  float|null  $heatKMin  as its heaters say; null for as barrels usually heat up
     */
    public function of(?float $boreMm, bool $screw, ?float $heatKMin, Interruption $break): ?RestartResult
    {
        $meltC = self::meltC($break);
        if ($boreMm === null || $meltC <= self::ROOM_C) {
            return null;
        }
        $factor = ((array) ($break->picture['soak_input'] ?? []))['soak_factor'] ?? null;
        $restart = $this->calculations->run('heat.barrel_restart', array_filter([
            'polymer' => $break->polymer->code,
            'barrel_diameter_mm' => $boreMm,
            'wall_c' => $meltC,
            'off_min' => $break->offMin,
            'read_c' => $break->readC,
            'screw' => $screw,
            'room_c' => self::ROOM_C,
            'heat_k_min' => $heatKMin,
            'soak_factor' => is_numeric($factor) ? (float) $factor : null,
        ], static fn (mixed $value): bool => $value !== null));
        assert($restart instanceof RestartResult);

        return $restart;
    }

    /** What the barrel is set to, °C. */
    public static function meltC(Interruption $break): float
    {
        return (float) ($break->targets['melt_c'] ?? 0);
    }
}
