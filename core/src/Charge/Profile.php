<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * A bar, beam or profile: part = section · length · solid density; charge = part · (1 + overflow) + purge;
 * fill time = part · (1 + overflow) / throughput, since the purge runs before the mould is on.
 */
#[Calc('charge.profile', 'charge and fill time of a bar, beam or profile')]
final readonly class Profile
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(ProfileInput $in): ProfileResult
    {
        $area = self::section($in);
        $density = Density::of($in->density_g_cm3, $in->polymer, $this->polymers);
        $perMetre = $area * $density;
        $part = $perMetre * $in->length_mm / 1000;
        $kept = $part * (1 + $in->overflow_pct / 100);
        $fill = $in->throughput_kg_h === null ? null : $kept / ($in->throughput_kg_h / 3.6);

        return (new ProfileResult($area, $part, $kept + $in->purge_g, $fill, $perMetre))
            ->explain(sprintf(
                '%.0f g for a part of %.0f g%s.',
                $kept + $in->purge_g,
                $part,
                $fill === null ? '' : sprintf(', filled in %.1f min', $fill / 60),
            ));
    }

    /** mm2, from the area itself, two sides or a diameter, solid or hollow. */
    private static function section(ProfileInput $in): float
    {
        if ($in->section_area_mm2 !== null) {
            return $in->section_area_mm2;
        }
        if ($in->diameter_mm !== null) {
            $across = [$in->diameter_mm, $in->diameter_mm];
            $share = M_PI / 4;
        } elseif ($in->width_mm !== null && $in->height_mm !== null) {
            $across = [$in->width_mm, $in->height_mm];
            $share = 1.0;
        } else {
            throw new InputError(
                $in->width_mm !== null ? 'height_mm' : ($in->height_mm !== null ? 'width_mm' : 'section_area_mm2'),
                'give the section: its area, two sides, or a diameter',
            );
        }
        $inner = 0.0;
        if ($in->wall_mm !== null) {
            if (2 * $in->wall_mm >= min($across)) {
                throw new InputError('wall_mm', 'is half the section or more: leave it out for a solid one');
            }
            $inner = ($across[0] - 2 * $in->wall_mm) * ($across[1] - 2 * $in->wall_mm);
        }

        return $share * ($across[0] * $across[1] - $inner);
    }
}
