<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Extrusion;

use Dithermic\Core\Heat\Barrel\StripFeed;
use Dithermic\Core\Heat\Barrel\StripFeedInput;
use Dithermic\Core\Heat\Barrel\StripFeedResult;
use Dithermic\Core\Heat\Bath\BarInBath;
use Dithermic\Core\Heat\Bath\BarInBathInput;
use Dithermic\Core\Heat\Bath\BarInBathResult;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Ask;
use Dithermic\Core\Process\CheckState;
use Dithermic\Core\Process\PlanCheck;
use Dithermic\Core\Process\PlannedCharge;
use Dithermic\Core\Process\PlannedTimer;
use Dithermic\Core\Process\Settled;
use Dithermic\Core\Process\UnknownFact;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Schedule\RunLength;

/**
 * What leaves the die and goes into no mould: strips cut to the shot of another barrel (heat.strip_feed), or a profile
 * drawn off at the speed that makes its section, v = Q / (ρ·A) (charge.profile), cooled in a trough (heat.bar_in_bath).
 * Draw-down is the section of the die over the profile's; swell is not modelled, so the first metres are measured and
 * the haul-off put right.
 */
final readonly class FreeRun
{
    /** over it a melt thins and tears, as a rule of practice */
    private const DRAW_DOWN = 2.0;

    private const OF_STRIPS = 'A hot strip burns through a thin glove, and its core is hot for long after its face is dull.';

    private const OF_PROFILES = 'Rollers draw in hands and sleeves: guard first, and thread it with a stick.';

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    /** @param  PlanCheck|null  $barrel  whether it can be set so hot */
    public function plan(PlanInput $in, Settled $set, TakeOff $off, ?PlanCheck $barrel, Vent $vent): PlanResult
    {
        $strips = $off === TakeOff::Strips ? $this->strips($in, $set) : null;
        $length = $strips->length_mm ?? $set->get('length_mm');
        $piece = (new Section($this->polymers))->of($in, $set, $length);
        $cutMin = Section::seconds($in, $piece) / 60;
        $haul = $length / 1000 / $cutMin;
        $bath = $off === TakeOff::Profile ? $this->bath($in, $set, $length) : null;
        $profile = $bath === null ? null : new FreeProfile(
            round($haul, 3),
            round($set->get('die_area_mm2') / $piece->section_area_mm2, 3),
            $bath->strip_s === null ? null : round($haul * $set->get('cool_factor') * $bath->strip_s / 60, 2),
            $bath->minutes_to_core === null
                ? null
                : round($haul * $set->get('cool_factor') * $bath->minutes_to_core, 2),
        );
        $timers = $strips === null
            ? [new PlannedTimer('to_cut', round($cutMin, 3), 'its length over the speed of the haul-off')]
            : [new PlannedTimer('rack', round(($strips->keeps_s ?? 0.0) / 60, 2), 'hot enough to shorten the soak')];
        $targets = [
            'melt_c' => $set->get('melt_c'),
            'barrel_ready_c' => $set->get('melt_c') - PlanResult::READY_WITHIN_K,
            'charge_mass_g' => round($piece->part_mass_g, 1),
            'purge_g' => $set->get('purge_g'),
            'vent_pulls_bar' => $vent->pulls_bar,
            'vent_leaves_share' => $vent->leaves_share,
            'bar_mass_g' => round($piece->part_mass_g, 1),
            'length_mm' => round($length, 0),
            'section_area_mm2' => round($piece->section_area_mm2, 2),
            'void_limit_pct' => $set->get('void_limit_pct'),
            'cut_min' => round($cutMin, 3),
            'cycle_s' => round(60 * $cutMin, 1),
            'pieces' => $set->get('bars'),
        ] + ($strips === null
            ? [
                'bath_c' => $set->get('bath_c'),
                'haul_m_min' => round($haul, 3),
                'size_mm' => $set->optional('diameter_mm') ?? $set->get('width_mm'),
                'size_tolerance_mm' => $set->get('size_tolerance_mm'),
                'look_min' => $set->get('look_min'),
            ]
            : ['keep_min' => $timers[0]->minutes]);
        $perShift = RunLength::of(new Procedure($off->procedure()), $targets)->within(60 * $set->get('shift_h'));
        $result = new PlanResult(
            $set->list(),
            (object) $targets,
            $timers,
            new PlannedCharge(round($piece->part_mass_g, 1), null, 'by_volume'),
            array_values(array_filter([$barrel, ...$this->checks($strips, $profile)])),
            [$strips === null ? self::OF_PROFILES : self::OF_STRIPS, ...$vent->cautions()],
            $this->unknowns($off),
            $piece,
            $bath,
            null,
            null,
            round(60 * $cutMin, 1),
            null,
            $perShift,
            null,
            $in->strip_rule,
            $vent->how,
            $off,
            $strips,
            $profile,
            gives: Vent::gives(
                $in->machine,
                $this->polymers->get($in->polymer),
                $set->get('melt_c'),
                $set->get('void_limit_pct'),
            ),
        );

        return $result->explain($strips === null ? sprintf(
            'Haul-off at %.2f m/min; one of %.0f mm every %.1f min, %d in %.0f h from cold.',
            $haul,
            $length,
            $cutMin,
            $perShift,
            $set->get('shift_h'),
        ) : sprintf(
            '%s One strip every %.1f min; on the rack it is worth something for %.0f min.',
            $strips->explanation,
            $cutMin,
            $timers[0]->minutes,
        ));
    }

    private function strips(PlanInput $in, Settled $set): StripFeedResult
    {
        $set->mustHave([
            'shot_g' => 'is required: what one shot of the injector takes, with its runner',
            'feeds_melt_c' => 'is required: what the barrel that they feed is set to',
        ]);

        return Ask::for(new StripFeed($this->polymers), StripFeedInput::class, [
            'polymer' => $in->polymer,
            'melt_c' => $set->get('melt_c'),
            'age_s' => $set->get('age_s'),
            'barrel_diameter_mm' => $set->get('feeds_bore_mm'),
            'wall_c' => $set->get('feeds_melt_c'),
            'shot_g' => $set->get('shot_g'),
            'with_ages' => true,
        ] + Section::sides($set), [
            'barrel_diameter_mm' => 'settings.feeds_bore_mm',
            'wall_c' => 'settings.feeds_melt_c',
        ]);
    }

    private function bath(PlanInput $in, Settled $set, float $length): BarInBathResult
    {
        return Ask::for(new BarInBath($this->polymers), BarInBathInput::class, [
            'polymer' => $in->polymer,
            'melt_c' => $set->get('melt_c'),
            'bath_c' => $set->get('bath_c'),
            'length_mm' => $length,
            'span_mm' => $set->optional('span_mm'),
        ] + Section::sides($set));
    }

    /** @return list<PlanCheck> */
    private function checks(?StripFeedResult $strips, ?FreeProfile $profile): array
    {
        return array_values(array_filter([
            $strips === null ? null : new PlanCheck(
                'gain',
                $strips->gains ? CheckState::Ok : CheckState::Warn,
                sprintf(
                    'Fed hot, a full barrel soaks %.1f min; cold it soaks %.1f.',
                    $strips->soak_min,
                    $strips->soak_cold_min,
                ),
                $strips->soak_cold_min,
                $strips->soak_min,
            ),
            $profile === null ? null : new PlanCheck(
                'draw_down',
                $profile->draw_down > self::DRAW_DOWN || $profile->draw_down < 1.0 ? CheckState::Warn : CheckState::Ok,
                match (true) {
                    $profile->draw_down < 1.0 => 'The die is smaller than the profile: it would have to be pushed, not drawn. A larger die.',
                    $profile->draw_down > self::DRAW_DOWN => sprintf(
                        'Drawn down by %.1f: it may thin and tear. A smaller die, or more melt.',
                        $profile->draw_down,
                    ),
                    default => sprintf('Drawn down by %.2f.', $profile->draw_down),
                },
                $profile->draw_down,
                self::DRAW_DOWN,
            ),
        ]));
    }

    /** @return list<UnknownFact> */
    private function unknowns(TakeOff $off): array
    {
        return $off === TakeOff::Profile
            ? [new UnknownFact('how much it swells', 'The first metres come thicker: measure, and put the haul-off right.')]
            : [];
    }
}
