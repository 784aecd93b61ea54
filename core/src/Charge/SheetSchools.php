<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Three ways in which shops weigh a sheet, and the thickness that each would really give, taking the allowance as lost:
 * true density plus allowance (our default, because it is the only one that knows the polymer), "as water" (1 g/cm3 for
 * everything, no allowance), and a shop's own kilograms per millimetre.
 */
#[Calc('charge.sheet_schools', 'three ways of weighing a sheet, and the thickness each would really give')]
final readonly class SheetSchools
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(SheetInput $in): SheetSchoolsResult
    {
        $density = $in->density($this->polymers);
        $area = $in->pressedAreaCm2();
        $kept = 1 + $in->allowance_pct / 100;
        $volume = $area * $in->thickness_mm / 10;
        $masses = ['true_density' => $volume * $density * $kept, 'as_water' => $volume];
        if ($in->shop_kg_per_mm !== null) {
            $masses['shop_rule'] = 1000 * $in->shop_kg_per_mm * $in->thickness_mm;
        }
        $schools = [];
        foreach ($masses as $id => $mass) {
            $schools[] = new School($id, $mass, 10 * $mass / $kept / ($density * $area));
        }
        $water = $schools[1]->gives_thickness_mm;

        return (new SheetSchoolsResult($schools))->explain(sprintf(
            'By true density %.0f g gives %.2f mm; weighed as water, %.0f g gives %.2f mm, %s.',
            $schools[0]->charge_mass_g, $in->thickness_mm, $schools[1]->charge_mass_g, $water,
            abs($water - $in->thickness_mm) < 0.02 * $in->thickness_mm
                ? 'nearly the same'
                : sprintf('%+.0f %%', 100 * ($water / $in->thickness_mm - 1)),
        ));
    }
}
