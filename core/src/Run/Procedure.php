<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;

/**
 * A process as data: steps with gates, timers, reminders and things to log, of which some are done once before the
 * pieces, some with every piece and some once after them. A run keeps the version it was run with. The shape is
 * data/procedure.schema.json. Nothing here knows a process by name.
 */
final readonly class Procedure
{
    /** @var array<string, Step> by id, in order */
    private array $steps;

    /** @var array<string, Entry> by id */
    private array $entries;

    /** @var array<string, Timer> by id */
    private array $timers;

    /** @var array<string, Place> by id */
    private array $places;

    private Record $data;

    /** @param  array<string, mixed>  $body */
    public function __construct(public array $body)
    {
        $this->data = new Record($body);
        $this->steps = array_column(array_map(Step::of(...), $this->data->each('steps')), null, 'id');
        $this->entries = array_column(array_map(Entry::of(...), $this->data->each('entries')), null, 'id');
        $this->timers = array_column(array_map(Timer::of(...), $this->data->each('timers')), null, 'id');
        $places = [];
        foreach ($this->data->eachBy('places') as $id => $place) {
            $places[$id] = Place::of($id, $place);
        }
        $this->places = $places;
    }

    public function version(): int
    {
        return (int) $this->data->number('version');
    }

    /** What a piece is called here: sheet, shot, bar. */
    public function pieceName(): string
    {
        return $this->data->text('piece.title', 'piece');
    }

    /** What carries a piece through some of its places, and of which there are so many: moulds in circulation. */
    public function carrier(): ?Carrier
    {
        return $this->data->has('piece.carrier') ? Carrier::of($this->data->at('piece.carrier')) : null;
    }

    /** @return list<Step> */
    public function steps(?Phase $phase = null): array
    {
        return array_values(
            $phase === null
                ? $this->steps
                : array_filter($this->steps, static fn (Step $step): bool => $step->phase === $phase),
        );
    }

    public function hasPieces(): bool
    {
        return $this->steps(Phase::Piece) !== [];
    }

    public function first(Phase $phase): ?Step
    {
        return $this->steps($phase)[0] ?? null;
    }

    /** The step after one, of the same phase. */
    public function after(Step $step): ?Step
    {
        $found = false;
        foreach ($this->steps as $next) {
            if ($found && $next->phase === $step->phase) {
                return $next;
            }
            $found = $found || $next->id === $step->id;
        }

        return null;
    }

    public function step(string $id): ?Step
    {
        return $this->steps[$id] ?? null;
    }

    /** Whether a step looks at what was made: something is inspected or judged in it. */
    public function looks(string $step): bool
    {
        foreach ($this->step($step)->entries ?? [] as $entry) {
            if (in_array($this->entry($entry)->effect ?? null, ['inspect', 'dispose'], true)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Step> steps in which an entry is logged */
    public function stepsThatLog(string $entry): array
    {
        return array_values(array_filter(
            $this->steps,
            static fn (Step $step): bool => in_array($entry, $step->entries, true),
        ));
    }

    /** @return list<Entry> */
    public function entries(): array
    {
        return array_values($this->entries);
    }

    public function entry(string $id): ?Entry
    {
        return $this->entries[$id] ?? null;
    }

    /**
     * Minutes that a step takes by a plan: of its timer, or what the plan says of it, else what is usual.
     *
     * @param  array<string, mixed>  $plan
     */
    public function minutes(Step $step, array $plan): float
    {
        $name = $step->timer === null ? $step->planMin : $this->timer($step->timer)?->minutes;
        $planned = $plan[(string) $name] ?? null;
        if (is_int($planned) || is_float($planned)) {
            return max(0.0, (float) $planned);
        }

        return $step->timer === null ? $step->typicalMin : 0.0;
    }

    /** @return array<string, float> what the taps of a thread measured, s, by figure: the time in a step from the tap before */
    public function clocked(Thread $thread): array
    {
        $figures = [];
        foreach ($this->steps as $step) {
            $done = $thread->done[$step->id] ?? null;
            if ($step->clock !== null && $done !== null) {
                $figures[$step->clock] = round(max(0.0, $done['at'] - $done['began']), 1);
            }
        }

        return $figures;
    }

    public function timer(string $id): ?Timer
    {
        return $this->timers[$id] ?? null;
    }

    public function place(string $id): ?Place
    {
        return $this->places[$id] ?? null;
    }

    /** @return list<Place> */
    public function places(): array
    {
        return array_values($this->places);
    }

    /** @return list<Timer> */
    public function timers(): array
    {
        return array_values($this->timers);
    }

    /**
     * Whether what an entry says is about a place where heat goes in: it is logged in a step that stands there, and is
     * not of what is put into it.
     */
    public function isOfHeat(string $entry): bool
    {
        if ($this->entry($entry)?->effect === 'draw_lot') {
            return false;
        }
        foreach ($this->stepsThatLog($entry) as $step) {
            if ($this->place($step->place)?->heat === 'in') {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> numbers of the plan that a step shows */
    private function shown(): array
    {
        $shows = static fn (Record $step): array => $step->texts('shows');

        return array_merge(...array_map($shows, $this->data->each('steps')));
    }

    /** @return list<string> numbers of the plan that a run goes by */
    private function gone(): array
    {
        $again = array_filter(array_column($this->entries, 'again'));
        $names = [
            ...array_column($this->timers, 'minutes'),
            ...array_column($this->entries, 'delay'),
            ...array_column($again, 'minutes'),
        ];
        foreach ($this->steps as $step) {
            $names[] = $step->planMin;
            foreach ($step->gates as $gate) {
                array_push($names, $gate->atLeast, $gate->atMost, $gate->near, $gate->tolerance, $gate->within);
            }
        }

        return array_values(array_filter($names, is_string(...)));
    }

    /**
     * The plan of a run: every number that the procedure names, finite; an interval, how many go into a place, what a
     * gate stands only with, and what is shown and nothing more may be null.
     *
     * @param  array<string, mixed>  $plan
     *
     * @throws InputError
     */
    public function checkPlan(array $plan): void
    {
        $unknown = array_filter(array_column($this->places, 'holds'), is_string(...));
        foreach ($this->steps as $step) {
            array_push($unknown, ...array_column($step->reminders, 'everyMin'));
            array_push($unknown, ...array_filter(array_column($step->gates, 'wherePlanned'), is_string(...)));
        }
        array_push($unknown, ...array_column(array_filter(array_column($this->entries, 'again')), 'most'));
        array_push($unknown, ...array_diff($this->shown(), $this->gone()));
        foreach ($this->data->texts('plan') as $name) {
            $value = $plan[$name] ?? null;
            if ($value === null && array_key_exists($name, $plan) && in_array($name, $unknown, true)) {
                continue;
            }
            if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value)) {
                throw new InputError("plan.{$name}", 'the plan needs this number');
            }
        }
    }
}
