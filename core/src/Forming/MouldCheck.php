<?php

declare(strict_types=1);

namespace Dithermic\Core\Forming;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;

/**
 * Shop rules of thermoforming (Throne): draft 2°/5° for a male mould and 1°/3° for a female (stop/warn), 1° more for
 * each
 * 0.025 mm of texture; a vent at the bottom of every cavity, no wider than 0.6 of the wall; corners at least a sheet
 * thick; undercut strain against the polymer's usual strip-off limit: a ring stretches, undercut / half width; a clip
 * at the edge bends as a cantilever, 1.5·undercut·thickness/depth² (Gere & Timoshenko).
 */
#[Calc('forming.mould_check', 'is the forming mould right: draft, vents, corners, undercuts')]
final class MouldCheck
{
    public function __invoke(MouldCheckInput $in): MouldCheckResult
    {
        $findings = [];
        if ($in->draft_deg !== null) {
            $more = $in->texture_depth_mm / 0.025;
            [$stop, $warn] = $in->male ? [2 + $more, 5 + $more] : [1 + $more, 3 + $more];
            $findings[] = new Finding('draft', match (true) {
                $in->draft_deg < $stop - 1e-9 => 'stop', $in->draft_deg < $warn - 1e-9 => 'warn', default => 'ok',
            },
                sprintf('%.1f° of draft', $in->draft_deg),
                $in->male
                    ? 'The sheet shrinks onto a male mould and locks on straight sides.'
                    : 'The sheet shrinks away from a female mould, yet straight sides drag.',
                sprintf('Give every side %.1f° or more.', $warn));
        }
        if ($in->has_cavities === true) {
            $findings[] = new Finding(
                'vents',
                $in->vent_diameter_mm === null ? 'stop' : 'ok',
                'Vents of the cavities',
                'Air that cannot leave holds the sheet off the bottom.',
                'Drill a vent at the bottom of each cavity.',
            );
        }
        if ($in->vent_diameter_mm !== null && $in->sheet_mm !== null) {
            $findings[] = new Finding(
                'vent_size',
                $in->vent_diameter_mm > 0.6 * $in->sheet_mm + 1e-9 ? 'warn' : 'ok',
                sprintf('Vents of %.1f mm', $in->vent_diameter_mm),
                'A wide vent leaves a nipple.',
                sprintf('At most %.1f mm.', 0.6 * $in->sheet_mm),
            );
        }
        if ($in->corner_radius_mm !== null && $in->sheet_mm !== null) {
            $findings[] = new Finding(
                'corner',
                $in->corner_radius_mm < $in->sheet_mm - 1e-9 ? 'warn' : 'ok',
                sprintf('Corners of %.1f mm', $in->corner_radius_mm),
                'A sharp corner thins and tears.',
                sprintf('At least %.1f mm.', $in->sheet_mm),
            );
        }
        $undercut = $in->undercutStrain();
        if ($undercut !== null && $in->polymer !== null) {
            $limit = self::STRIP_OFF_PCT[$in->polymer] ?? throw new InputError(
                'polymer',
                'no strip-off limit is known for it',
            );
            $strain = 100 * $undercut;
            $findings[] = new Finding('undercut', match (true) {
                $strain > $limit * (1 + 1e-9) => 'stop',
                $strain > $limit * 2 / 3 * (1 + 1e-9) => 'warn',
                default => 'ok',
            },
                sprintf('%.2f %% of strain at the undercut', $strain),
                'A small undercut can be a wanted clip; a large one tears or will not come off.',
                sprintf('At most %.1f %% for %s.', $limit, $in->polymer));
        }
        $worst = array_column($findings, 'severity');

        return (new MouldCheckResult($findings))->explain(
            in_array('stop', $worst, true)
                ? 'Not like this.'
                : (in_array('warn', $worst, true) ? 'It can work; look at the warnings.' : 'Nothing against it.'),
        );
    }

    private const STRIP_OFF_PCT = ['LDPE' => 5.0, 'LLDPE' => 5.0, 'EVA' => 10.0, 'TPU' => 10.0, 'HDPE' => 3.0, 'PP' => 2.0, 'PA6' => 1.5, 'PA66' => 1.5, 'ABS' => 1.5, 'ASA' => 1.5, 'POM' => 1.5,
        'HIPS' => 1.2,
        'PET' => 1.0,
        'PETG' => 1.5,
        'PC' => 1.0,
        'PS' => 0.8,
        'SAN' => 0.8,
        'PMMA' => 0.8,
        'PLA' => 0.8];
}
