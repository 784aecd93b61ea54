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
use Dithermic\Core\Material\PolymerLibrary;

/**
 * A charge in a plunger barrel, heated from the wall to its axis by conduction through a long cylinder. In continuous
 * running the fresh material stays the full soak before it reaches the nozzle, so a shot of fraction f needs a cycle of
 * soak·f. No shear heat: a plunger does not knead.
 */
#[Calc('heat.barrel_soak', 'how long a charge in a heated barrel needs')]
final readonly class BarrelSoak
{
    private const LIMIT_S = 172800.0;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(BarrelSoakInput $in, float $cells = 1.0, float $steps = 1.0): BarrelSoakResult
    {
        $window = $in->material->record($this->polymers)?->process('injection')['melt_c']['min'] ?? null;
        $target = $in->target_c ?? (is_numeric($window) ? (float) $window : throw new InputError('target_c', 'give it, or name a polymer that is injected'));
        if ($target >= $in->wall_c) {
            throw new InputError('target_c', 'the axis never gets as hot as the wall: raise wall_c or lower the target');
        }
        $stack = new Stack(
            [new Layer(Substance::polymer($in->material->thermal($this->polymers), $in->porosity), $in->barrel_diameter_mm / 2000, (int) round(24 * $cells), $in->feed_c)],
            new Insulated, new Held($in->wall_c, $in->contact_w_m2k), cylinder: true, stepK: 5.0, stepScale: 1 / $steps,
        );
        $soak = Crossing::time($stack, self::LIMIT_S, static fn (Stack $s): float => $s->leftSurface() - $target)
            ?? throw new InputError('target_c', 'is not reached within two days');

        return (new BarrelSoakResult($soak / 60, $soak / 60 * $in->fraction_refilled, $soak * $in->fraction_refilled))
            ->explain(sprintf('A full barrel needs %.0f min until its axis is at %.0f °C; a refill of %.0f %% waits %.0f min.', $soak / 60, $target, 100 * $in->fraction_refilled, $soak / 60 * $in->fraction_refilled))
            ->warn($in->porosity > 0.3 ? 'Loose flake hardly conducts: tamp each portion and the soak drops.' : null);
    }
}
