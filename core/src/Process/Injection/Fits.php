<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Injection;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Flow\Fill;
use Dithermic\Core\Flow\FillInput;
use Dithermic\Core\Force\Clamp;
use Dithermic\Core\Force\ClampInput;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Ask;

/**
 * Can this mould run in that machine: every want of the mould against what the machine has, by name. What one of the
 * two does not say is not taken for enough: it is named as unknown, and the answer stands on what is known.
 *
 * - tie_bars: it goes in between the bars from above or from the side, so one of its two measures must be under that gap.
 * - mould_height: closed, it lies within what the clamp can close on.
 * - daylight: closed height and the way it opens, within the widest distance of the platens.
 * - stroke: it opens far enough to let the part out; twice the part's depth where the mould does not say
 *   (the part must leave the core and clear the cavity).
 * - clamp: force.clamp of the projected area · shot: volume of the melt against the barrel's · pressure: flow.fill ·
 *   max_c: the least usual melt temperature of the polymer.
 */
#[Calc('mould.fits', 'can this mould run in that machine, and what speaks against it', size: 'part.thickness_mm')]
final readonly class Fits
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(FitsInput $in): FitsResult
    {
        $polymer = $in->polymer === null ? null : $this->polymers->get($in->polymer);
        $looks = [
            'tie_bars' => $this->tieBars($in),
            'mould_height' => $this->height($in),
            'daylight' => $this->daylight($in),
            'stroke' => $this->stroke($in),
            'ejection' => $this->least(
                'ejection',
                'The ejector must be pushed %s mm; the machine pushes %s.',
                $in->mould->ejection_mm,
                $in->machine->ejector_stroke_mm,
            ),
            'hot_runner_zones' => $this->least(
                'hot_runner_zones',
                'The hot runner wants %s zones; the machine drives %s.',
                $in->mould->hot_runner_zones,
                $in->machine->hot_runner_zones,
            ),
            'water_circuits' => $this->least(
                'water_circuits',
                'It has %s water circuits; the machine feeds %s.',
                $in->mould->circuits,
                $in->machine->circuits,
            ),
            'supply' => $this->least(
                'supply',
                'Its heaters take %s kW; the machine has %s kW to spare.',
                $in->mould->heater_kw,
                $in->machine->spare_kw,
            ),
            'shot' => $this->shot($in, $polymer),
            'clamp' => $this->clamp($in, $polymer),
            'pressure' => $this->pressure($in, $polymer),
            'max_c' => $this->heat($in, $polymer),
        ];
        $known = array_values(array_filter($looks));
        $against = array_values(array_filter($known, static fn (FitReason $r): bool => ! $r->ok));
        $unknown = array_keys(array_filter($looks, static fn (?FitReason $r): bool => $r === null));

        return (new FitsResult(
            $against === [],
            $against,
            array_values(array_filter($known, static fn (FitReason $r): bool => $r->ok)),
            $unknown,
        ))->explain(match (true) {
            $against !== [] => "{$in->mould->name} does not run in {$in->machine->name}: {$against[0]->says}",
            $known === [] => 'Too little is known of both to say anything.',
            $unknown === [] => "{$in->mould->name} runs in {$in->machine->name}.",
            default => "Nothing that is known keeps {$in->mould->name} out of {$in->machine->name}.",
        });
    }

    private function tieBars(FitsInput $in): ?FitReason
    {
        $ways = array_filter([
            [$in->mould->width_mm, $in->machine->tie_bar_width_mm, 'from above'],
            [$in->mould->height_mm, $in->machine->tie_bar_height_mm, 'from the side'],
        ], static fn (array $way): bool => $way[0] !== null && $way[1] !== null);
        $best = null;
        foreach ($ways as [$needs, $has, $how]) {
            $room = $has - $needs;
            if ($best === null || $room > $best[0]) {
                $best = [$room, $needs, $has, $how];
            }
        }
        if ($best === null) {
            return null;
        }
        [$room, $needs, $has, $how] = $best;

        return new FitReason('tie_bars', $room >= 0, sprintf(
            $room >= 0
                ? 'It goes in between the tie bars %s: %s mm into %s.'
                : 'It does not go in between the tie bars: %2$s mm into %3$s at best.',
            $how,
            self::said($needs),
            self::said($has),
        ), $needs, $has);
    }

    private function height(FitsInput $in): ?FitReason
    {
        $height = $in->mould->tool_height_mm;
        [$min, $max] = [$in->machine->least_mould_mm, $in->machine->most_mould_mm];
        if ($height === null || ($min === null && $max === null)) {
            return null;
        }
        if ($min !== null && $height < $min) {
            return new FitReason('mould_height', false, sprintf(
                'Closed it is %s mm; the clamp closes on no less than %s. A plate behind it helps.',
                self::said($height),
                self::said($min),
            ), $height, $min);
        }

        return $max === null ? null : new FitReason('mould_height', $height <= $max, sprintf(
            'Closed it is %s mm; the clamp takes up to %s.',
            self::said($height),
            self::said($max),
        ), $height, $max);
    }

    private function daylight(FitsInput $in): ?FitReason
    {
        $opens = $this->opens($in);
        $needs = $in->mould->tool_height_mm === null || $opens === null ? null : $in->mould->tool_height_mm + $opens;

        return $this->least(
            'daylight',
            'Open it takes %s mm between the platens; they stand at most %s apart.',
            $needs,
            $in->machine->daylight_mm,
        );
    }

    private function stroke(FitsInput $in): ?FitReason
    {
        return $this->least(
            'stroke',
            'It must open %s mm; the machine opens %s.',
            $this->opens($in),
            $in->machine->opening_mm,
        );
    }

    private function opens(FitsInput $in): ?float
    {
        return $in->mould->opens_mm ?? ($in->part->depth_mm === null ? null : 2 * $in->part->depth_mm);
    }

    private function shot(FitsInput $in, ?Polymer $polymer): ?FitReason
    {
        [$bore, $stroke] = [$in->machine->boreMm(), $in->machine->strokeMm()];
        $solid = $polymer?->property('density_g_cm3');
        $melt = $polymer?->property('density_melt_g_cm3');
        if ($in->part->volume_cm3 === null || $bore === null || $stroke === null || $solid === null || $melt === null) {
            return null;
        }
        // What is weighed solid is larger as melt.
        $needs = ($in->part->volume_cm3 * ($in->mould->cavities ?? 1) + ($in->mould->runner_volume_cm3 ?? 0)) * $solid / $melt;

        return $this->least(
            'shot',
            'A shot is %s cm³ of melt; the barrel gives %s.',
            $needs,
            M_PI / 4 * $bore ** 2 * $stroke / 1000,
        );
    }

    private function clamp(FitsInput $in, ?Polymer $polymer): ?FitReason
    {
        $pressure = $polymer?->process('injection')->range('cavity_pressure_bar')?->typical;
        if ($in->mould->projected_area_cm2 === null || $pressure === null || $in->machine->clamp_kn === null) {
            return null;
        }
        $needs = Ask::for(new Clamp, ClampInput::class, [
            'projected_area_cm2' => $in->mould->projected_area_cm2,
            'cavity_pressure_bar' => $pressure,
        ])->clamp_kn;

        return $this->least(
            'clamp',
            'It wants to be held with %s kN; the clamp holds %s.',
            $needs,
            $in->machine->clamp_kn,
        );
    }

    private function pressure(FitsInput $in, ?Polymer $polymer): ?FitReason
    {
        $part = $in->part;
        $melt = $part->melt_c ?? $polymer?->process('injection')->range('melt_c')?->typical;
        $mould = $part->mould_c ?? $polymer?->process('injection')->range('mould_c')?->typical;
        $has = $in->machine->max_specific_bar;
        $length = $in->mould->flow_length_mm;
        if (
            $polymer === null || $part->volume_cm3 === null || $part->thickness_mm === null
            || $length === null || $melt === null || $mould === null || $has === null
        ) {
            return null;
        }
        $fill = Ask::for(new Fill($this->polymers), FillInput::class, [
            'polymer' => $polymer->code,
            'melt_c' => $melt,
            'mould_c' => $mould,
            'flow_cm3_s' => $part->volume_cm3 / $part->fill_s,
            'path' => [[
                'kind' => 'slit',
                'length_mm' => $length,
                'width_mm' => 1000 * $part->volume_cm3 / ($length * $part->thickness_mm),
                'height_mm' => $part->thickness_mm,
            ]],
        ], ['flow_cm3_s' => 'part.fill_s', 'path.0.width_mm' => 'mould.flow_length_mm']);

        return $this->least(
            'pressure',
            'Filling it takes %s bar; the machine presses with %s.',
            $fill->pressure_bar,
            $has,
        );
    }

    private function heat(FitsInput $in, ?Polymer $polymer): ?FitReason
    {
        return $this->least(
            'max_c',
            ($polymer->code ?? '').' is run from %s °C on; the barrel goes up to %s.',
            $polymer?->process('injection')->range('melt_c')?->min,
            $in->machine->max_c,
        );
    }

    /** @param  string  $says  with a place for what it needs and one for what there is */
    private function least(string $id, string $says, float|int|null $needs, float|int|null $has): ?FitReason
    {
        // Who wants nothing is content with a machine that does not say what it has.
        if ($needs === null || ($has === null && (float) $needs !== 0.0)) {
            return null;
        }

        return new FitReason(
            $id,
            $needs <= (float) $has,
            sprintf($says, self::said((float) $needs), self::said((float) $has)),
            (float) $needs,
            (float) $has,
        );
    }

    private static function said(float $value): string
    {
        return $value < 10 && $value !== round($value) ? sprintf('%.1f', $value) : sprintf('%.0f', $value);
    }
}
