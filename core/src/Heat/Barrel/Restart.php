<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Dwell\Budget;
use Dithermic\Core\Heat\Dwell\Stay;
use Dithermic\Core\Heat\Dwell\Verdict;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * A barrel that was without heat, with melt in it: how far it cooled, and how long until the next shot.
 *
 * The steel cools as one lump, T = room + (set − room)·exp(−t·k/(set − room)), with k the rate at the set-point
 * (Newton's law of cooling; valid while its bands and lagging stay on it). It comes back at the machine's own rate.
 * What has fallen under the lowest melt temperature is then soaked as a charge without pores that starts evenly at the
 * barrel's temperature: heat.barrel_soak. Its middle is in truth warmer than its wall, so that the wait errs to the
 * long side.
 *
 * A screw keeps its melt in a channel of a sixth of its diameter (Rauwendaal, Polymer Extrusion, 5th ed., 2014, feed
 * zones of
 * 0.15 to 0.2 D), heated from one side. Such a slab takes as long as a cylinder of half the bore: 4h²/π² against
 * R²/5.78.
 *
 * Its life goes on: the break at the temperature halfway down, the wait at the set-point (dwell.budget).
 */
#[Calc(
    'heat.barrel_restart',
    'how long a barrel waits for its next shot after it lost its heat',
    size: 'barrel_diameter_mm',
)]
final readonly class Restart
{
    private const CHANNEL_OF_BORE = 0.5;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    /** @throws InputError naming wall_c where the set-point does not melt it */
    public function __invoke(RestartInput $in): RestartResult
    {
        if ($in->wall_c <= $in->room_c) {
            throw new InputError('wall_c', 'is no hotter than the room: say what it is set to');
        }
        $above = $in->wall_c - $in->room_c;
        $cooled = $in->room_c + $above * exp(-$in->off_min * $in->cool_k_min / $above);
        $barrel = $in->read_c ?? $cooled;
        $heat = max(0.0, $in->wall_c - $barrel) / $in->heat_k_min;
        [$soak, $target] = $this->soak($in, min($barrel, $in->wall_c));
        $state = $this->state($in, $barrel, $target);
        $life = (new Budget($this->polymers))->ifKnown($in->material, [
            new Stay($in->off_min, ($in->wall_c + $barrel) / 2),
            new Stay($heat + $soak, $in->wall_c),
        ]);
        $result = new RestartResult($barrel, $heat, $soak, $heat + $soak, $state, $life?->used);
        $result->explain(sprintf(
            '%.0f min without heat: it is %s %.0f °C and what is in it is %s. %s',
            $in->off_min,
            $in->read_c === null ? 'at about' : 'at',
            $barrel,
            match ($state) {
                StillIn::Melt => 'melt still',
                StillIn::Stiff => 'stiff',
                StillIn::Solid => 'solid',
            },
            $result->wait_min < 0.5 ? 'Go on.' : sprintf('%.0f min to its set-point, %.0f min of soak.', $heat, $soak),
        ));
        $result->warn($state !== StillIn::Melt
            ? 'Turn no screw and push no plunger before it is melt to its middle: a cold plug breaks a belt, a pin or a screw. Heat the nozzle with it, and nobody in front of it.'
            : null);

        return $result->warn(match ($life?->verdict) {
            Verdict::Over => 'It will have stood hot for longer than it bears: purge all of it before the first part.',
            Verdict::Near => 'It will have stood hot for nearly as long as it bears: purge what was in it before the first part.',
            default => null,
        });
    }

    /** @return array{float, float} minutes once the wall is hot, and what its middle has to get to, °C */
    private function soak(RestartInput $in, float $from): array
    {
        $bore = $in->screw ? max(1.0, self::CHANNEL_OF_BORE * $in->barrel_diameter_mm) : $in->barrel_diameter_mm;
        $soak = (new BarrelSoak($this->polymers))(new BarrelSoakInput(
            $in->material,
            $bore,
            $in->wall_c,
            $from,
            porosity: 0.0,
        ));

        return [$from >= $soak->target_c ? 0.0 : $in->soak_factor * $soak->soak_min_full, $soak->target_c];
    }

    private function state(RestartInput $in, float $barrelC, float $targetC): StillIn
    {
        $sets = $in->material->optional('no_flow_c', $this->polymers)
            ?? $in->material->optional('tc_c', $this->polymers);

        return match (true) {
            $barrelC >= $targetC => StillIn::Melt,
            $sets !== null && $barrelC > $sets => StillIn::Stiff,
            default => StillIn::Solid,
        };
    }
}
