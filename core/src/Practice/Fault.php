<?php

declare(strict_types=1);

namespace Dithermic\Core\Practice;

use Dithermic\Core\Calculator\InputError;

/** Something that goes wrong with a machine, as its instruments show it. */
enum Fault: string
{
    /** a wire has come off: nothing is read */
    case ThermocoupleOpen = 'thermocouple_open';
    /** a probe that reads more from day to day, here from minute to minute */
    case Drift = 'drift';
    /** heaters that give less: what they heat sags, and stays down */
    case Sag = 'sag';
    /** heaters that give nothing: what they heated falls towards the room */
    case HeaterDead = 'heater_dead';
    /** a box that leaks: its pressure does not hold */
    case Leak = 'leak';

    private const DRIFT_K_MIN = 0.5;

    private const SAG_K = 18.0;

    private const SAG_S = 120.0;

    private const ROOM_C = 20.0;

    /** of platens or a barrel that nobody heats, s */
    private const FALLS_S = 4500.0;

    private const LEAK_KPA_MIN = 20.0;

    private const AIR_KPA = 101.3;

    /** @throws InputError naming the words that are known */
    public static function named(string $name): self
    {
        return self::tryFrom($name) ?? throw new InputError(
            'fault',
            "\"{$name}\" is none: ".implode(', ', array_map(static fn (self $f): string => $f->value, self::cases())),
        );
    }

    /**
     * What is read instead.
     *
     * @param  string  $unit  of the channel
     * @param  float  $value  that would be read
     * @param  float  $for  so long it has been going wrong, s
     * @return float|null null where nothing is
     */
    public function on(string $unit, float $value, float $for): ?float
    {
        $isHeat = $unit === '°C';

        return match ($this) {
            self::ThermocoupleOpen => $isHeat ? null : $value,
            self::Drift => $isHeat ? $value + self::DRIFT_K_MIN * $for / 60 : $value,
            self::Sag => $isHeat ? $value - self::SAG_K * (1 - exp(-$for / self::SAG_S)) : $value,
            self::HeaterDead => $isHeat ? self::ROOM_C + ($value - self::ROOM_C) * exp(-$for / self::FALLS_S) : $value,
            self::Leak => $unit === 'kPa' ? min(self::AIR_KPA, $value + self::LEAK_KPA_MIN * $for / 60) : $value,
        };
    }
}
