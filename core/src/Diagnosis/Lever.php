<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

/**
 * How a remedy's parameter is moved in a process: where it stands in the plan, and by which setting the next plan has
 * it.
 */
final readonly class Lever
{
    private function __construct(
        public string $planned,
        public string $setting,
        public float $unit,
        private string $how,
    ) {
    }

    /** The setting is the parameter itself. */
    public static function same(string $planned, string $setting): self
    {
        return new self($planned, $setting, 1.0, 'same');
    }

    /**
     * The setting is a factor that the planned number goes with.
     *
     * @param  float  $unit  of the parameter, in one of the plan: 60 for seconds of planned minutes
     */
    public static function factor(string $planned, string $setting, float $unit = 1.0): self
    {
        return new self($planned, $setting, $unit, 'factor');
    }

    /** The setting is a percentage on top, with which the planned number grows. */
    public static function onTop(string $planned, string $setting): self
    {
        return new self($planned, $setting, 1.0, 'on_top');
    }

    /**
     * What the setting has to be for the parameter to go from one value to another, rounded as people read it.
     *
     * @param  float|null  $now  the setting as it stands
     */
    public function setTo(float $from, float $to, ?float $now): ?float
    {
        if ($this->how === 'same') {
            return round($to, 2);
        }
        if ($from <= 0.0) {
            return null;
        }

        return $this->how === 'factor'
            ? round(($now ?? 1.0) * $to / $from, 3)
            : round(100 * ((1 + ($now ?? 0.0) / 100) * $to / $from - 1), 2);
    }
}
