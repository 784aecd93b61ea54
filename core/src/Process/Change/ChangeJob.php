<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\Change;

use Dithermic\Core\Data\Record;
use Dithermic\Core\Process\Job;
use Dithermic\Core\Process\Plan;

/** The next job of a main machine, and what stands there from the last. */
final readonly class ChangeJob
{
    /**
     * @param  Plan  $plan  of the job
     * @param  float|null  $lightness  of what comes: 0 black, 1 white or natural; null where nobody said
     * @param  string|null  $polymer  that is still in the machine; null where it is clean or nobody knows
     * @param  float|null  $wasLightness  of that
     * @param  Record|null  $mould  that hangs: name and facts
     * @param  float  $dryMin  that the material of the job still wants
     * @param  bool  $inDryer  it is there already
     * @param  float  $heatC  of the machine now
     * @param  list<string>|null  $available  codes of what the shop has to put between
     */
    public function __construct(
        public Job $job,
        public Plan $plan,
        public ?float $lightness = null,
        public ?string $polymer = null,
        public ?float $wasLightness = null,
        public ?Record $mould = null,
        public float $dryMin = 0.0,
        public bool $inDryer = false,
        public int $people = 1,
        public float $heatC = 20.0,
        public ?array $available = null,
    ) {
    }
}
