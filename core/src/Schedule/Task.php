<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** One thing done with each piece. */
final readonly class Task implements Checked
{
    /**
     * @param  list<StationOption>  $stations
     * @param  list<string>  $after
     */
    public function __construct(
        public string $id,
        #[Field('any one of them', of: StationOption::class, atLeast: 1, atMost: 40)] public array $stations,
        #[Field('hands at its start', 'min', min: 0, max: 100000)] public float $hands_start_min = 0.0,
        #[Field('hands at its end', 'min', min: 0, max: 100000)] public float $hands_end_min = 0.0,
        #[Field('whose hands, where it wants any', '', min: 1, max: 2)] public int $people = 1,
        public ?SetUp $setup = null,
        #[Field('tasks of the same piece that are done before', of: 'string', atMost: 40)] public array $after = [],
        #[Field('begins the moment the one before it ends')] public bool $no_wait = false,
        #[Field('between the one before it and this, at most', 'min', min: 0, max: 1e6)]
        public ?float $max_gap_min = null,
        #[Field('is never left alone: somebody is in the shop')] public bool $hot = false,
    ) {
    }

    public function check(): void
    {
        if (($this->no_wait || $this->max_gap_min !== null) && $this->after === []) {
            throw new InputError('after', 'is needed: it says what this must not wait long for');
        }
    }

    /** Whether hands are on it throughout, where it takes so long. */
    public function isAllHands(float $minutes): bool
    {
        $hands = $this->hands_start_min + $this->hands_end_min;

        return $hands > 0 && $hands >= $minutes;
    }

    /** When its clock rings, from the start of the task, min; null where hands are on it throughout. */
    public function rings(float $minutes): ?float
    {
        return $this->isAllHands($minutes) ? null : $minutes - $this->hands_end_min;
    }

    /**
     * When hands are wanted, from the start of the task, min.
     *
     * @return list<Span>
     */
    public function hands(float $minutes): array
    {
        if ($this->isAllHands($minutes)) {
            return [new Span(0.0, $minutes)];
        }

        return [
            ...($this->hands_start_min > 0 ? [new Span(0.0, $this->hands_start_min)] : []),
            ...($this->hands_end_min > 0 ? [new Span($minutes - $this->hands_end_min, $minutes)] : []),
        ];
    }
}
