<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

/**
 * How long the steel of a barrel takes to another heat: m·c·ΔT over the share of its bands' power that stays in it.
 * What a machine does not say is taken as changeover.sequence takes it: 6 K/min up, and 3 K/min down in any case, for
 * no band cools.
 */
final readonly class BarrelSteel
{
    /** steel, kJ/(kg·K) */
    public const KJ_KG_K = 0.49;

    /** the share of a band's power that goes into the steel: the rest is lost to the room */
    public const BAND_SHARE = 0.7;

    private const USUAL_K_MIN = 6.0;

    private const COOL_K_MIN = 3.0;

    public function __construct(private InjectorFacts $machine)
    {
    }

    /** Whether the machine says its power and its steel. */
    public function known(): bool
    {
        return $this->machine->heater_w !== null && $this->machine->barrel_kg !== null;
    }

    /** Minutes from one heat to another, °C. */
    public function minutes(float $fromC, float $toC): float
    {
        if ($toC < $fromC) {
            return ($fromC - $toC) / self::COOL_K_MIN;
        }

        return $this->known()
            ? self::warm((float) $this->machine->barrel_kg, $toC - $fromC, (float) $this->machine->heater_w / 1000)
            : ($toC - $fromC) / self::USUAL_K_MIN;
    }

    /**
     * How fast it heats up from one heat to another, K/min; null where the machine does not say its power and its
     * steel.
     */
    public function kelvinAMinute(float $fromC, float $toC): ?float
    {
        return $this->known() && $toC > $fromC ? ($toC - $fromC) / $this->minutes($fromC, $toC) : null;
    }

    /** Minutes for so much steel, kg, by so many kelvin, with so much power, kW. */
    public static function warm(float $kg, float $kelvin, float $kw): float
    {
        return $kg * self::KJ_KG_K * max(0.0, $kelvin) / (self::BAND_SHARE * $kw) / 60;
    }
}
