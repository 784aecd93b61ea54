<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Data\Record;
use Dithermic\Core\Material\Polymer;

/** A main machine that lost its heat in the middle of a run. */
final readonly class Interruption
{
    /**
     * @param  Record  $machine  its facts
     * @param  array<string, float|int|string|null>  $targets  of the run's plan
     * @param  array<array-key, mixed>  $picture  that the plan was drawn from
     * @param  float  $offMin  min without heat
     * @param  float|null  $readC  what it reads when heat is back, °C; null for as it cools by itself
     */
    public function __construct(
        public Record $machine,
        public array $targets,
        public array $picture,
        public Polymer $polymer,
        public float $offMin,
        public ?float $readC = null,
    ) {
    }
}
