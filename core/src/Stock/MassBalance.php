<?php

declare(strict_types=1);

namespace Dithermic\Core\Stock;

use Dithermic\Core\Calculator\InputError;

/**
 * What went in against what came out. Each weighing is right to half a step of the scale at either end (one step), so
 * the balance closes when what is missing is within one step for each weighing, or a five-hundredth of what went in
 * (dust).
 */
final readonly class MassBalance
{
    private const DUST = 0.002;

    public float $missing_g;

    public float $tolerance_g;

    public bool $closes;

    public string $because;

    public function __construct(
        public float $in_g,
        public float $sorted_g,
        public float $waste_g,
        float $scale_g,
        int $weighings,
    ) {
        if ($in_g <= 0) {
            throw new InputError('in_g', 'must be above 0 g');
        }
        $this->missing_g = $in_g - $sorted_g - $waste_g;
        $this->tolerance_g = max($scale_g * max(1, $weighings), self::DUST * $in_g);
        $this->closes = abs($this->missing_g) <= $this->tolerance_g + 1e-9;
        $this->because = match (true) {
            $this->closes => sprintf(
                'It closes: %.0f g in, %.0f g out, within ± %.0f g.',
                $in_g,
                $sorted_g + $waste_g,
                $this->tolerance_g,
            ),
            $this->missing_g > 0 => sprintf(
                '%.0f g are missing: an unweighed bin, spilt flake, or water that dried off.',
                $this->missing_g,
            ),
            default => sprintf(
                '%.0f g more came out than went in: a tare forgotten, or a bin that was not empty.',
                -$this->missing_g,
            ),
        };
    }
}
