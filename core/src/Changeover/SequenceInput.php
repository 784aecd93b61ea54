<?php

declare(strict_types=1);

namespace Dithermic\Core\Changeover;

use Dithermic\Core\Calculator\Field;

final readonly class SequenceInput
{
    /**
     * @param  list<Job>  $jobs
     */
    public function __construct(
        #[Field('', '', of: Job::class, atLeast: 1, atMost: 60)] public array $jobs,
        public StartState $start,
        #[Field('', 'cm3', above: 0, max: 1e6)] public float $barrel_volume_cm3,
        #[Field('', 'cm3/min', above: 0, max: 1e6)] public float $throughput_cm3_min = 50.0,
        #[Field('', '', min: 0, max: 1)] public float $mixing = 0.6,
        #[Field('barrel heats', 'K/min', above: 0, max: 1000)] public float $heat_k_min = 6.0,
        #[Field('barrel cools', 'K/min', above: 0, max: 1000)] public float $cool_k_min = 3.0,
        #[Field('to change a mould', 'min', min: 0, max: 10000)] public float $mould_min = 30.0,
    ) {
    }
}
