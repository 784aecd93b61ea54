<?php

declare(strict_types=1);

namespace Dithermic\Core\Flow;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * The pressure that filling needs, and whether the melt freezes first. A power-law melt τ = K·rateⁿ, K(T) = K0·exp(−b(T
 * − T0)), through slits and round runners in a row (Bird, Armstrong & Hassager, Dynamics of Polymeric Liquids 1;
 * Osswald):
 *
 *     slit:  Δp = (2KL/H)·[(2(1 + 2n)/n)·Q/(W·H²)]ⁿ      round: Δp = (2KL/R)·[((3n + 1)/n)·Q/(πR³)]ⁿ
 *
 * The bracket is the rate at the wall. The melt warms by Δp/(ρc) and freezes shut, its middle at the no-flow
 * temperature, after H²/(π²α)·ln((4/π)·θ) or D²/(23.14α)·ln(1.602·θ) with θ = (Tmelt − Tw)/(Tnf − Tw) (Ballman &
 * Shusman; Carslaw & Jaeger for the cylinder). Isothermal and steady: no entrance losses, no skin that narrows the way.
 * Constants of the library (data/flow.json) are textbook grades: a factor of two either way; a measured MFR of the lot
 * goes before them.
 */
#[Calc('flow.fill', 'pressure that filling a mould needs, and whether it freezes first')]
final readonly class Fill
{
    private const FREEZE_ROUND = 23.14;

    private const ROUND_SERIES = 1.602;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(FillInput $in): FillResult
    {
        $melt = $in->melt->law($in->material, $this->polymers);
        $density = 1000 * $in->material->need('density_melt_g_cm3', $this->polymers);
        $heat = 1000 * $in->material->need('specific_heat_melt_j_gk', $this->polymers);
        $alpha = $in->material->need('conductivity_melt_w_mk', $this->polymers) / ($density * $heat);
        $noFlow = $in->material->need('no_flow_c', $this->polymers);
        if ($in->melt_c <= $noFlow) {
            throw new InputError('melt_c', "must be above {$noFlow} °C, under which the polymer does not flow");
        }
        if ($in->mould_c >= $noFlow) {
            throw new InputError('mould_c', "must be below {$noFlow} °C: in a mould so hot the polymer never sets");
        }
        $consistency = $melt->consistencyAt($in->melt_c);
        $flow = $in->flow_cm3_s * 1e-6;
        $hotter = ($in->melt_c - $in->mould_c) / ($noFlow - $in->mould_c);
        $segments = [];
        foreach ($in->path as $way) {
            $rate = $way->wallRate($flow, $melt->exponent);
            $pressure = 2 * $consistency * $way->length_mm / $way->gapMm() * $rate ** $melt->exponent;
            $freeze = $way->kind === WayKind::Slit
                ? ($way->gapMm() / 1000) ** 2 / (M_PI ** 2 * $alpha) * log(4 / M_PI * $hotter)
                : (2 * $way->gapMm() / 1000) ** 2 / (self::FREEZE_ROUND * $alpha) * log(self::ROUND_SERIES * $hotter);
            $segments[] = new FillSegment(
                $pressure / 1e5,
                $rate,
                $pressure / ($density * $heat),
                $way->volumeMm3() / 1000 / $in->flow_cm3_s,
                $freeze,
            );
        }
        $pressure = array_sum(array_map(static fn (FillSegment $s): float => $s->pressure_bar, $segments));
        $fill = array_sum(array_map(static fn (FillSegment $s): float => $s->fill_s, $segments));
        $freeze = min(array_map(static fn (FillSegment $s): float => $s->freeze_s, $segments) ?: [INF]);
        $spare = $in->available_bar === null ? null : 100 * ($in->available_bar - $pressure) / $in->available_bar;
        $verdict = match (true) {
            $spare !== null && $spare < 0 => 'too little pressure',
            $fill > $freeze => 'freezes first',
            default => 'fills',
        };
        $hottest = $in->melt_c + array_sum(array_map(static fn (FillSegment $s): float => $s->heating_k, $segments));

        return (new FillResult($pressure, $segments, $fill, $verdict, $spare))
            ->explain($this->say($pressure, $fill, $freeze, $verdict, $in))
            ->warn($in->material->overCeiling(
                $hottest,
                'The melt as it gets there, warmed by its own friction',
                $this->polymers,
            ));
    }

    private function say(float $pressure, float $fill, float $freeze, string $verdict, FillInput $in): string
    {
        $needs = sprintf('%.0f bar fill it in %.2f s', $pressure, $fill);

        return match ($verdict) {
            'too little pressure' => sprintf(
                '%s, and %.0f bar are there: a hotter melt, a wider way or a slower shot.',
                $needs,
                $in->available_bar,
            ),
            'freezes first' => sprintf(
                '%s, and it freezes shut after %.2f s: faster, a warmer mould or a thicker wall.',
                $needs,
                $freeze,
            ),
            default => sprintf('%s, and it freezes after %.1f s.', $needs, $freeze),
        };
    }
}
