<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Data\Record;

/**
 * What a step waits for: a timer that has run out, things confirmed, a place that will have room by the time what goes
 * on now comes to it, or an entry of this very step, whose fields may have to be at least, at most or near a number of
 * the plan. resources/js/offline/gates.ts reads the same data by the same rules; core/tests/conformance/runs.json holds
 * the two to each other.
 */
final readonly class Gate
{
    /**
     * @param  list<string>  $confirmed
     * @param  list<string>  $fields
     * @param  array<string, string>  $is what choices of the entry must be, by field
     */
    public function __construct(
        public string $says,
        public ?string $timer = null,
        public array $confirmed = [],
        public ?string $entry = null,
        public array $fields = [],
        public ?string $atLeast = null,
        public ?string $atMost = null,
        public ?string $near = null,
        public ?string $tolerance = null,
        public array $is = [],
        public ?string $room = null,
        public ?string $within = null,
        /** a number of the plan: where it has none there is no such gate */
        public ?string $wherePlanned = null,
    ) {
    }

    public static function of(Record $of): self
    {
        return new self(
            $of->text('says', ''),
            $of->mayText('timer'),
            $of->texts('confirmed'),
            $of->mayText('entry'),
            $of->texts('fields'),
            $of->mayText('at_least'),
            $of->mayText('at_most'),
            $of->mayText('near'),
            $of->mayText('tolerance'),
            $of->wordsBy('is'),
            $of->mayText('room'),
            $of->mayText('within'),
            $of->mayText('where_planned'),
        );
    }

    /**
     * What it lacks at a moment, in words; null when it is open.
     *
     * @param  array<string, float|int|string|null>  $plan
     * @param  Room|null  $rooms  who stands where, and how long; without it a gate that asks for room is open
     */
    public function lacks(
        Thread $thread,
        RunState $state,
        Step $step,
        array $plan,
        float $at,
        ?Room $rooms = null,
    ): ?string {
        if ($this->wherePlanned !== null && ! isset($plan[$this->wherePlanned])) {
            return null;
        }

        return match (true) {
            $this->timer !== null => $this->lacksTime($thread->timers[$this->timer] ?? null, $at),
            $this->confirmed !== [] => $this->lacksConfirmation($thread, $step),
            $this->room !== null => $this->lacksRoom(
                $rooms === null ? null : $this->roomAt($rooms, $state, $thread->piece, $plan),
                $at,
            ),
            $this->entry !== null => $this->lacksEntry($state->latest($this->entry, $step->id, $thread->piece), $plan),
            default => null,
        };
    }

    /** @param  array{ends_at: float}|null  $timer */
    private function lacksTime(?array $timer, float $at): ?string
    {
        if ($timer === null) {
            return $this->says;
        }

        return self::toGo($this->says, $timer['ends_at'] - $at);
    }

    /**
     * The moment from which it is open, of a gate that asks for room, s since 1970 UTC; null where there is room and
     * stays.
     *
     * @param  array<string, float|int|string|null>  $plan
     */
    public function roomAt(Room $rooms, RunState $state, ?int $piece, array $plan): ?float
    {
        $free = $this->room === null ? null : $rooms->freeAt($state, $this->room, $piece);

        return $free === null ? null : $free - 60 * (float) ($plan[(string) $this->within] ?? 0);
    }

    private function lacksRoom(?float $opens, float $at): ?string
    {
        return $opens === null ? null : self::toGo($this->says, $opens - $at);
    }

    /** What is left of a wait, in words; null when it is over. */
    public static function toGo(string $says, float $seconds): ?string
    {
        $whole = (int) ceil($seconds);

        return $seconds <= 0.5 ? null : sprintf('%s: %d:%02d to go', $says, intdiv($whole, 60), $whole % 60);
    }

    private function lacksConfirmation(Thread $thread, Step $step): ?string
    {
        $open = [];
        foreach ($step->confirm as $item => $text) {
            if (in_array($item, $this->confirmed, true) && ! isset($thread->confirmed[$step->id][$item])) {
                $open[] = lcfirst($text);
            }
        }

        return $open === [] ? null : 'confirm: '.implode(', ', $open);
    }

    /**
     * @param  array<string, mixed>|null  $values
     * @param  array<string, float|int|string|null>  $plan
     */
    private function lacksEntry(?array $values, array $plan): ?string
    {
        if ($values === null) {
            return "log {$this->says}";
        }
        foreach ($this->is as $field => $choice) {
            if (($values[$field] ?? null) !== $choice) {
                return $this->says;
            }
        }
        foreach ($this->fields as $field) {
            $value = is_numeric($values[$field] ?? null) ? (float) $values[$field] : 0.0;
            $wanted = static fn (string $name): float => (float) ($plan[$name] ?? 0);
            $held = ($this->atLeast === null || $value >= $wanted($this->atLeast))
                && ($this->atMost === null || $value <= $wanted($this->atMost))
                && (
                    $this->near === null
                        || abs($value - $wanted($this->near)) <= $wanted((string) $this->tolerance) + 1e-9
                );
            if (! $held) {
                return $this->says;
            }
        }

        return null;
    }
}
