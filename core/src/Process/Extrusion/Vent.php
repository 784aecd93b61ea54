<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Process\Gives;

/**
 * A barrel's vent as it is planned. Gas that is dissolved in a melt stands in equilibrium with its pressure above it
 * (Henry's law), so a vent leaves at best its share of the air's pressure of what an open one leaves (R. F. Latinen,
 * Devolatilization of viscous polymer systems, ACS Adv. Chem. 34, 1962: the limit of a screw without end). Too much
 * melt, or too fast a screw, leaves more: it is a bound.
 */
final readonly class Vent
{
    /** molar mass of water, g/mol, and the gas constant, J/(mol·K) (CODATA 2018) */
    private const WATER_G_MOL = 18.015;

    private const GAS_J_MOL_K = 8.314462618;

    private const ZERO_C_K = 273.15;

    /** a vent that is pulled to over this share of the air's pressure only stands open */
    private const OPEN_SHARE = 0.95;

    /** a pump is taken to pull when it is this near to what it can reach, kPa */
    private const NEAR_KPA = 5.0;

    private const CAUTIONS = [
        'Melt that rises in the vent: feed less, or slow the screw; never poke into it while it turns.',
        'Extract what comes out of the vent; a trap before its pump, and vacuum off before the screw stops.',
    ];

    private function __construct(
        public Venting $how,
        /** that its gauge shows under the air before bars are made, bar; null without a vacuum */
        public ?float $pulls_bar,
        /** of the gas that an open vent leaves, at best; null of a closed barrel */
        public ?float $leaves_share,
    ) {
    }

    /**
     * @return non-empty-list<Venting> that a barrel allows, the default last
     */
    public static function allowed(ExtruderFacts $machine): array
    {
        return match (true) {
            $machine->vent_kpa === null => [Venting::Closed],
            $machine->vent_kpa > self::OPEN_SHARE * $machine->atmosphere_kpa => [Venting::Closed, Venting::Open],
            default => Venting::cases(),
        };
    }

    /** @throws InputError under `venting`, where the barrel has not what is asked for */
    public static function of(?Venting $asked, ExtruderFacts $machine): self
    {
        $allowed = self::allowed($machine);
        $how = $asked ?? $allowed[count($allowed) - 1];
        if (! in_array($how, $allowed, true)) {
            throw new InputError('venting', $how === Venting::Open
                ? "asks for a vent that {$machine->name} is not known to have: enter the pressure at it, the air's own where it stands open"
                : "asks for a vacuum that {$machine->name} is not known to have: enter what its vent is pulled to first");
        }

        return new self(
            $how,
            $how === Venting::Vacuum
                ? max(0.0, round(($machine->atmosphere_kpa - (float) $machine->vent_kpa - self::NEAR_KPA) / 100, 2))
                : null,
            match ($how) {
                Venting::Closed => null,
                Venting::Open => 1.0,
                Venting::Vacuum => round((float) $machine->vent_kpa / $machine->atmosphere_kpa, 3),
            },
        );
    }

    /** @return list<string> */
    public function cautions(): array
    {
        return match ($this->how) {
            Venting::Closed => [],
            Venting::Open => [self::CAUTIONS[0]],
            Venting::Vacuum => self::CAUTIONS,
        };
    }

    /**
     * Water that makes so many voids of a melt at the air's pressure, as it comes out of the die, parts in a million by
     * mass: an ideal gas, of which V/(V + melt) is the share of voids.
     */
    public static function waterPpm(Polymer $polymer, float $meltC, float $voidsPct, float $airKpa): float
    {
        $voids = $voidsPct / 100;
        $meltM3PerKg = 1 / (1000 * (float) $polymer->property('density_melt_g_cm3'));
        $mol = 1000 * $airKpa * $meltM3PerKg * $voids / (1 - $voids) / (self::GAS_J_MOL_K * ($meltC + self::ZERO_C_K));

        return 1e6 * $mol * self::WATER_G_MOL / 1000;
    }

    /** @return list<Gives> what each that the barrel allows would give; none where there is but one */
    public static function gives(ExtruderFacts $machine, Polymer $polymer, float $meltC, float $voidsPct): array
    {
        $says = [];
        $allowed = self::allowed($machine);
        foreach (count($allowed) > 1 ? $allowed : [] as $how) {
            $says[$how->value] = match ($how) {
                Venting::Closed => sprintf(
                    'all gas comes with it: over %.0f ppm of water are over %.0f %% voids',
                    self::waterPpm($polymer, $meltC, $voidsPct, $machine->atmosphere_kpa),
                    $voidsPct,
                ),
                Venting::Open => 'what boils at the air\'s pressure leaves',
                Venting::Vacuum => sprintf(
                    'leaves %.0f %% of what an open one leaves, at best',
                    100 * (float) self::of($how, $machine)->leaves_share,
                ),
            };
        }

        return Gives::each('venting', $says);
    }
}
