<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Dwell;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * How long a melt may stay hot. It breaks down by a law of Arrhenius: it stands its ceiling Tc (kelvin) for tc minutes
 * and any other temperature for t(T) = tc·exp(Ea/R·(1/T − 1/Tc)), and what it has used up adds: D = Σ Δt/t(T). Ea of
 * 120 kJ/mol is usual for the thermal and oxidative breakdown of these polymers (Zweifel, Plastics Additives Handbook:
 * 80 to 200), so far under the ceiling this is a guide only. D to 0.7 is ok, to 1 near, over 1 over.
 */
#[Calc('dwell.budget', 'how long the melt may stay hot before it is spent')]
final readonly class Budget
{
    private const GAS_J_MOLK = 8.314462618;

    private const ZERO_C = 273.15;

    private const NEAR = 0.7;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(BudgetInput $in): BudgetResult
    {
        $minutes = $in->material->need('minutes_at_ceiling', $this->polymers);
        $ceiling = $in->material->need('ceiling_c', $this->polymers);
        if ($minutes <= 0) {
            throw new InputError(
                'minutes_at_ceiling',
                ($in->material->polymer ?? 'it').' must not be heated at all: there are no minutes to spend',
            );
        }
        $stands = static fn (float $c): float => $minutes * exp(
            1000 * $in->ea_kj_mol / self::GAS_J_MOLK * (1 / ($c + self::ZERO_C) - 1 / ($ceiling + self::ZERO_C)),
        );
        $used = 0.0;
        $hottest = -INF;
        $last = $ceiling;
        foreach ($in->history as $stay) {
            $used += $stay->minutes / $stands($stay->melt_c);
            $hottest = max($hottest, $stay->melt_c);
            $last = $stay->melt_c;
        }
        $left = max(0.0, 1 - $used) * $stands($last);
        $verdict = match (true) {
            $used > 1 => Verdict::Over, $used > self::NEAR => Verdict::Near, default => Verdict::Ok,
        };

        return (new BudgetResult($used, $left, $verdict))
            ->explain($this->say($used, $left, $last, $verdict))
            ->warn($in->material->overCeiling($hottest, 'The melt', $this->polymers));
    }

    /**
     * The budget of a material of which it is known how long it stands its heat; null of any other.
     *
     * @param  list<Stay>  $history
     */
    public function ifKnown(MaterialInput $material, array $history): ?BudgetResult
    {
        $known = ($material->optional('minutes_at_ceiling', $this->polymers) ?? 0.0) > 0
            && $material->optional('ceiling_c', $this->polymers) !== null;

        return $known ? $this(new BudgetInput($material, $history)) : null;
    }

    private function say(float $used, float $left, float $at, Verdict $verdict): string
    {
        if ($verdict === Verdict::Over) {
            return sprintf(
                'Its time is over: %.0f %% of what it stands. Purge it out, with the air moving.',
                100 * $used,
            );
        }

        return sprintf('%.0f %% of its time is used; at %.0f °C %s are left.', 100 * $used, $at, match (true) {
            $left > 600 => 'more than ten hours',
            $left >= 10 => sprintf('%.0f min', $left),
            default => sprintf('%.1f min', $left),
        });
    }
}
