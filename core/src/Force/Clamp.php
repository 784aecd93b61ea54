<?php

declare(strict_types=1);

namespace Dithermic\Core\Force;

use Dithermic\Core\Calculator\Calc;

/**
 * Clamp force = projected area · cavity pressure · safety. No friction or wedge effects; bolts share evenly.
 */
#[Calc('force.clamp', 'clamp force and what each bolt carries')]
final class Clamp
{
    public function __invoke(ClampInput $in): ClampResult
    {
        $force = $in->projected_area_cm2 * $in->cavity_pressure_bar * 0.01 * $in->safety;
        $each = $in->bolts === null ? null : $force / $in->bolts;
        $ok = $each === null || $in->bolt_proof_kn === null ? null : $each <= $in->bolt_proof_kn * (1 + 1e-9);

        return (new ClampResult($force, $force / 9.80665, $each, $ok))->explain(sprintf(
            '%.0f kN hold the mould shut%s.',
            $force,
            $each === null ? '' : sprintf(', %.1f kN on each bolt', $each),
        ))
            ->warn(
                $ok === false
                    ? 'The bolts are too weak: more of them, or stronger ones. Opening under pressure throws melt.'
                    : null,
            );
    }
}
