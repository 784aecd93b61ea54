<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Barrel;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Conduction\Crossing;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Insulated;
use Dithermic\Core\Heat\Conduction\Layer;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\Conduction\Substance;
use Dithermic\Core\Heat\Dwell\Budget;
use Dithermic\Core\Heat\Dwell\Stay;
use Dithermic\Core\Heat\Dwell\Verdict;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * A charge in a plunger barrel, heated from the wall to its axis by conduction through a long cylinder. No shear heat:
 * a plunger does not knead. Fresh charge moves along as a plug and takes the whole soak however short it is; its
 * leading edge is shot with the floor(1/f)-th shot from now when each shot is a fraction f of the barrel. So a refill
 * of up to half waits for nothing before the next shot (that one is old melt), more than half waits the full soak, and
 * in continuous running the cycle is soak / floor(1/f). While it soaks its time runs too: dwell.budget.
 */
#[Calc('heat.barrel_soak', 'how long a charge in a heated barrel needs', size: 'barrel_diameter_mm')]
final readonly class BarrelSoak
{
    private const LIMIT_S = 172800.0;

    /** the axis is aimed at this far under the wall, K: nearer than that takes for ever */
    private const UNDER_WALL_K = 8.0;

    /** an amorphous melt flows when it is this far over its no-flow temperature, K */
    private const OVER_NO_FLOW_K = 10.0;

    /** an exact ratio does not tip over */
    private const RATIO_SLACK = 1e-9;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(BarrelSoakInput $in, float $cells = 1.0, float $steps = 1.0): BarrelSoakResult
    {
        $target = $this->target($in);
        [$stack] = $this->charge($in, $cells, $steps);
        $soak = Crossing::time($stack, self::LIMIT_S, static fn (Stack $s): float => $s->leftSurface() - $target)
            ?? throw new InputError('target_c', 'is not reached within two days');
        $shots = floor(1 / $in->fraction_refilled + self::RATIO_SLACK);
        $refill = $shots >= 2 ? 0.0 : $soak;
        $result = (new BarrelSoakResult($soak / 60, $refill / 60, $soak / $shots, $target))->explain(sprintf(
            'A full barrel needs %.0f min until its axis is at %.0f °C; after a refill of %.0f %% %s. Shot after shot: one every %.1f min.',
            $soak / 60, $target, 100 * $in->fraction_refilled,
            $refill > 0
                ? sprintf('the next shot waits %.0f min', $refill / 60)
                : 'the next shot is still old melt and waits for nothing',
            $soak / $shots / 60,
        ));
        $result->warn($in->porosity > 0.3 ? 'Loose flake hardly conducts: tamp each portion and the soak drops.' : null)
            ->warn($in->material->overCeiling($in->wall_c, 'The wall', $this->polymers));

        return $result->warn($this->dwell($in, $soak / 60));
    }

    /**
     * The charge as it went in, from its axis at the left to the wall at the right.
     *
     * @return array{Stack, Held} and the wall, whose temperature may be moved
     */
    public function charge(BarrelSoakInput $in, float $cells = 1.0, float $steps = 1.0): array
    {
        $wall = new Held($in->wall_c, $in->contact_w_m2k);
        $stack = new Stack(
            [new Layer(
                Substance::polymer($in->material->thermal($this->polymers), $in->porosity),
                $in->barrel_diameter_mm / 2000,
                (int) round(28 * $cells),
                $in->feed_c,
            )],
            new Insulated, $wall, cylinder: true, stepK: 5.0, stepScale: 1 / $steps,
        );

        return [$stack, $wall];
    }

    private function target(BarrelSoakInput $in): float
    {
        if ($in->target_c !== null) {
            return $in->target_c < $in->wall_c ? $in->target_c
                : throw new InputError(
                    'target_c',
                    'the axis never gets as hot as the wall: raise wall_c or lower the target',
                );
        }
        $window = $in->material->record($this->polymers)?->meltWindow();
        if ($window === null) {
            throw new InputError('target_c', 'give it, or name a polymer that is injected');
        }
        $noFlow = $in->material->optional('no_flow_c', $this->polymers);
        $melts = $in->material->optional('tm_c', $this->polymers) ?? (
            $noFlow === null ? $window->min : $noFlow + self::OVER_NO_FLOW_K
        );
        $target = max($melts, min($window->min, $in->wall_c - self::UNDER_WALL_K));

        return $target < $in->wall_c ? $target
            : throw new InputError(
                'wall_c',
                sprintf('does not melt it: the axis must get to %.0f °C, so set the wall well above that', $target),
            );
    }

    /** What the soak does to the time that the melt stands, judged at the wall, where it is longest hot. */
    private function dwell(BarrelSoakInput $in, float $minutes): ?string
    {
        $budget = (new Budget($this->polymers))->ifKnown($in->material, [new Stay($minutes, $in->wall_c)]);

        return match ($budget?->verdict) {
            null, Verdict::Ok => null,
            Verdict::Near => sprintf(
                'This soak alone uses %.0f %% of the time that the melt at the wall stands at %.0f °C: shoot at once.',
                100 * $budget->used,
                $in->wall_c,
            ),
            Verdict::Over => sprintf(
                'The melt at the wall is spent before the axis is hot (%.0f %% of what it stands at %.0f °C): a smaller bore, a tamped charge or preheated feed.',
                100 * $budget->used,
                $in->wall_c,
            ),
        };
    }
}
