<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

/**
 * How often a cause of a defect was confirmed in this shop, and how often it was changed for and it was not that: Beta
 * counts beside the priors that ship. The prior of a cause counts as STRENGTH cases that were seen elsewhere, so its
 * mean is (STRENGTH × prior + confirmed) / (STRENGTH + confirmed + failed), the mean of a Beta distribution with those
 * counts (Gelman et al., Bayesian Data Analysis, 3rd ed., section 2.4).
 */
final class Outcomes
{
    /**
     * cases that a shipped prior weighs as much as: an estimate of practice gives way after about ten of the shop's own
     */
    public const STRENGTH = 8.0;

    /** @var array<string, array<string, array{int, int}>> confirmed and failed, by defect and cause */
    private array $counts = [];

    public function count(string $defect, string $cause, bool $worked): void
    {
        [$yes, $no] = $this->of($defect, $cause);
        $this->counts[$defect][$cause] = $worked ? [$yes + 1, $no] : [$yes, $no + 1];
    }

    /** @return array{int, int} confirmed and failed */
    public function of(string $defect, string $cause): array
    {
        return $this->counts[$defect][$cause] ?? [0, 0];
    }

    /** What this shop has for a prior, between 0 and 1; causes of a defect are brought to a sum of 1 after it. */
    public function prior(string $defect, string $cause, float $shipped): float
    {
        [$yes, $no] = $this->of($defect, $cause);

        return (self::STRENGTH * $shipped + $yes) / (self::STRENGTH + $yes + $no);
    }
}
