<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

/**
 * The valves of a former, in the order in which they are turned, by what pulls and how the part is cooled. What is not
 * open is shut: one that was forgotten is the leak that nobody finds.
 */
final readonly class Valves
{
    private const PUMP_TANK = 'pump_tank';

    private const TANK_BED = 'tank_bed';

    private const BLOWER_BED = 'blower_bed';

    private const PUMP_BED = 'pump_bed';

    private const AIR_BED = 'air_bed';

    /** @return list<ValveMoment> none where nobody knows what pulls */
    public static function of(?PullBy $by, CoolHow $cool): array
    {
        if ($by === null) {
            return [];
        }
        $there = match ($by) {
            PullBy::BlowerThenTank => [self::PUMP_TANK, self::TANK_BED, self::BLOWER_BED, self::AIR_BED],
            PullBy::Tank => [self::PUMP_TANK, self::TANK_BED, self::AIR_BED],
            PullBy::Pump => [self::PUMP_BED, self::AIR_BED],
        };
        $moment = static fn (string $step, string $when, string ...$open): ValveMoment => new ValveMoment(
            $step,
            $when,
            array_values($open),
            array_values(array_diff($there, $open)),
        );
        $pulls = $by === PullBy::Pump ? self::PUMP_BED : self::TANK_BED;
        $refills = $by === PullBy::Pump ? [] : [self::PUMP_TANK];

        return array_values(array_filter([
            $moment(
                'heat',
                $by === PullBy::Pump ? 'While it heats: nothing reaches the bed' : 'While it heats: the tank fills',
                ...$refills,
            ),
            $by === PullBy::BlowerThenTank ? $moment('go', 'Sealed: the blower', self::BLOWER_BED) : null,
            $by === PullBy::BlowerThenTank
                ? $moment('go', 'It moves no more: blower shut, then the tank', self::TANK_BED)
                : $moment('go', $by === PullBy::Pump ? 'Sealed: the pump' : 'Sealed: the tank', $pulls),
            $cool === CoolHow::Off
                ? $moment('cool', 'Formed: vacuum off', self::AIR_BED)
                : $moment('cool', 'It cools: vacuum held', $pulls),
            $moment('judge', 'Off the mould: air in, a short blow', self::AIR_BED, ...$refills),
        ]));
    }
}
