<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * One injection shot. shot = (cavities · part + runner) · solid density · (1 + loss); melt volume = shot / melt
 * density; stroke = melt volume / bore area. Conservation of mass; melt compressibility is not counted (1 to 2 % at
 * pressure).
 */
#[Calc('charge.shot', 'one injection shot: mass, stroke, and how it sits in the barrel')]
final readonly class Shot
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(ShotInput $in): ShotResult
    {
        $polymer = $in->polymer === null ? null : $this->polymers->get($in->polymer);
        $need = static fn (string $name): float => $in->{$name} ?? $polymer?->property($name) ?? throw new InputError(
            $name,
            'give it, or name a polymer that has it',
        );
        $solid = $need('density_solid_g_cm3');
        $melt = $need('density_melt_g_cm3');
        $bulk = $need('bulk_density_g_cm3');
        $bore = M_PI * $in->barrel_diameter_mm ** 2 / 400;
        $barrel = $bore * $in->barrel_length_mm / 10;
        $shot = ($in->cavities * $in->part_volume_cm3 + $in->runner_volume_cm3) * $solid * (1 + $in->loss_pct / 100);
        $volume = $shot / $melt;
        $fraction = $volume / $barrel;
        [$verdict, $says] = match (true) {
            $fraction > 0.9 => ['too_big', 'too big: use a bigger barrel or fewer cavities'],
            $fraction < 0.05 => ['tiny', 'tiny: the melt sits long and ages'],
            default => ['ok', 'a good fit'],
        };
        $result = new ShotResult(
            $in->part_volume_cm3 * $solid, $shot, $volume, 10 * $volume / $bore, $barrel, $barrel * $melt, $fraction,
            (int) floor($barrel / $volume + 1e-9), $shot / $bulk, (int) ceil($melt / $bulk - 1e-9), $verdict,
        );

        return $result->explain(sprintf(
            'One shot is %.1f g, %.0f %% of the barrel: %s.',
            $shot,
            100 * $fraction,
            $says,
        ))
            ->warn($bulk > $solid ? 'The bulk density is above the solid\'s.' : null);
    }
}
