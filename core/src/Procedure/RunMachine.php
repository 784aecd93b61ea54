<?php

declare(strict_types=1);

namespace Dithermic\Core\Procedure;

use Dithermic\Core\Calculator\InputError;

/**
 * The run as a pure fold over its events, and the rules by which an event is let in. It knows steps, gates, timers and
 * entries from the procedure's data, and no process by name.
 */
final readonly class RunMachine
{
    /** @param  array<string, float|int|string|null>  $plan the numbers that the procedure's data refers to */
    public function __construct(public Procedure $procedure, public array $plan)
    {
    }

    /** @param  iterable<Event>  $events in the order in which they were stored */
    public function fold(iterable $events): RunState
    {
        $state = new RunState;
        foreach ($events as $event) {
            $this->apply($state, $event);
        }

        return $state;
    }

    /** Lets one more event in, changing the state; the caller has asked refuses() first. */
    public function apply(RunState $state, Event $event): void
    {
        $state->keys[$event->key] = true;
        match ($event->type) {
            EventType::Started => $this->start($state, $event),
            EventType::Confirmed => $state->confirmed[(string) $event->text('step')][(string) $event->text('item')] = $event->at,
            EventType::Logged => $state->entries[$event->key] = [
                'key' => $event->key, 'entry' => (string) $event->text('entry'), 'at' => $event->at, 'by' => $event->by,
                'values' => $event->data['values'] ?? [], 'step' => $state->step, 'corrected' => 0,
            ],
            EventType::Corrected => $this->correct($state, $event),
            EventType::StepDone => $this->finishStep($state, $event),
            EventType::Extended => $this->extend($state, $event),
            EventType::Noted => null,
            EventType::Aborted => $this->end($state, RunState::ABORTED, $event->at),
        };
    }

    /** Why an event may not be let in now; null when it may. */
    public function refuses(RunState $state, Event $event): ?InputError
    {
        if ($state->startedAt === null) {
            return $event->type === EventType::Started ? null : new InputError('type', 'the run has not been started');
        }
        $over = $state->status !== RunState::RUNNING;

        return match ($event->type) {
            EventType::Started => new InputError('type', 'the run is already started'),
            EventType::Noted => $event->text('text') === null ? new InputError('data.text', 'write what you saw') : null,
            EventType::Corrected => $this->refusesCorrection($state, $event),
            default => $over ? new InputError('type', "the run is {$state->status}: only notes and corrections can be added") : match ($event->type) {
                EventType::Confirmed => $this->refusesConfirmation($state, $event),
                EventType::Logged => $this->refusesEntry($state, $event),
                EventType::StepDone => $this->refusesStep($state, $event),
                EventType::Extended => $this->refusesExtension($state, $event),
                EventType::Aborted => $event->text('reason') === null ? new InputError('data.reason', 'say why the run is stopped') : null,
            },
        };
    }

    /**
     * What is still missing before a step may be called done at a moment.
     *
     * @return list<string>
     */
    public function missing(RunState $state, string $stepId, float $at): array
    {
        $step = $this->procedure->step($stepId);
        $missing = [];
        foreach ($step['gate'] ?? [] as $gate) {
            $lack = match (true) {
                isset($gate['timer']) => $this->lacksTime($state, $gate, $at),
                isset($gate['confirmed']) => $this->lacksConfirmation($state, $step ?? [], $gate),
                isset($gate['entry']) => $this->lacksEntry($state, $stepId, $gate),
                default => null,
            };
            if ($lack !== null) {
                $missing[] = $lack;
            }
        }

        return $missing;
    }

    /**
     * What needs hands next, soonest first: the timers that run out, the reminders that fall due, else the current step.
     *
     * @return list<array{at: float, what: string, why: string, step: string, entry: ?string, timer: ?string, people: int, place: string}>
     */
    public function hands(RunState $state): array
    {
        if ($state->status !== RunState::RUNNING || $state->step === null) {
            return [];
        }
        $step = $this->procedure->step($state->step) ?? [];
        $hands = [];
        foreach ($step['reminders'] ?? [] as $reminder) {
            $due = $this->reminderDue($state, $step, $reminder);
            if ($due !== null) {
                $hands[] = ['at' => $due, 'what' => (string) $reminder['what'], 'why' => (string) $reminder['why'], 'step' => $state->step,
                    'entry' => (string) $reminder['entry'], 'timer' => null, 'people' => 1, 'place' => (string) $step['place']];
            }
        }
        $timer = isset($step['timer']) ? ($state->timers[$step['timer']] ?? null) : null;
        if ($timer !== null) {
            $next = $this->after($state->step) ?? $step;
            $hands[] = ['at' => $timer['ends_at'], 'what' => (string) $next['title'], 'why' => (string) $next['why'], 'step' => $state->step,
                'entry' => null, 'timer' => $timer['id'], 'people' => max(1, (int) $next['people']), 'place' => (string) $step['place']];
        } elseif ($hands === []) {
            $hands[] = ['at' => $state->stepSince, 'what' => (string) $step['title'], 'why' => (string) $step['why'], 'step' => $state->step,
                'entry' => null, 'timer' => null, 'people' => max(1, (int) $step['people']), 'place' => (string) $step['place']];
        }
        usort($hands, static fn (array $a, array $b): int => $a['at'] <=> $b['at']);

        return $hands;
    }

    /**
     * The run as stretches of time at its places: those gone by, the one under way and those to come, these from timers
     * and the steps' typical minutes.
     *
     * @return list<array{step: string, place: string, title: string, kind: string, from: float, to: float, phase: string}>
     */
    public function stretches(RunState $state, float $now): array
    {
        $stretches = [];
        $clock = $state->startedAt ?? $now;
        foreach ($this->procedure->steps() as $step) {
            $id = (string) $step['id'];
            $heat = $this->procedure->body['places'][$step['place']]['heat'] ?? 'none';
            $kind = isset($step['timer']) ? ($heat === 'out' ? 'cool' : 'heat') : 'hands';
            $make = static fn (float $from, float $to, string $phase): array => [
                'step' => $id, 'place' => (string) $step['place'], 'title' => (string) $step['title'], 'kind' => $kind, 'from' => $from, 'to' => $to, 'phase' => $phase,
            ];
            if (isset($state->done[$id])) {
                $stretches[] = $make($state->done[$id]['began'], $state->done[$id]['at'], 'past');
                $clock = $state->done[$id]['at'];
            } elseif ($state->status === RunState::RUNNING) {
                $minutes = isset($step['timer']) ? (float) ($this->plan[$this->procedure->timer($step['timer'])['minutes'] ?? ''] ?? 0) : (float) ($step['typical_min'] ?? 1);
                $running = isset($step['timer']) ? ($state->timers[$step['timer']] ?? null) : null;
                if ($id === $state->step) {
                    $end = max($now, $running['ends_at'] ?? $state->stepSince + 60 * $minutes);
                    $stretches[] = $make($state->stepSince, $now, 'past');
                    if ($end > $now) {
                        $stretches[] = $make($now, $end, 'coming');
                    }
                    $clock = $end;
                } else {
                    $stretches[] = $make($clock, $clock + 60 * $minutes, 'coming');
                    $clock += 60 * $minutes;
                }
            }
        }

        return $stretches;
    }

    /** When the run should be through, by timers and typical minutes. */
    public function expectedEnd(RunState $state, float $now): float
    {
        $stretches = $this->stretches($state, $now);

        return $stretches === [] ? $now : end($stretches)['to'];
    }

    private function start(RunState $state, Event $event): void
    {
        $state->startedAt = $state->stepSince = $event->at;
        $state->step = (string) $this->procedure->steps()[0]['id'];
    }

    private function finishStep(RunState $state, Event $event): void
    {
        $id = (string) $event->text('step');
        $step = $this->procedure->step($id) ?? [];
        $state->done[$id] = ['at' => $event->at, 'by' => $event->by, 'reason' => $event->text('reason'), 'began' => $state->stepSince];
        if (isset($step['timer'], $state->timers[$step['timer']])) {
            $state->timers[$step['timer']]['answered_at'] = $event->at;
        }
        if (isset($step['starts'])) {
            $timer = $this->procedure->timer($step['starts']) ?? [];
            $minutes = (float) ($this->plan[$timer['minutes']] ?? 0);
            $state->timers[$step['starts']] = [
                'id' => $step['starts'], 'started_at' => $event->at, 'ends_at' => $event->at + 60 * $minutes, 'minutes' => $minutes, 'answered_at' => null,
            ];
        }
        $next = $this->after($id);
        $state->step = $next === null ? null : (string) $next['id'];
        $state->stepSince = $event->at;
        if ($next === null) {
            $this->end($state, RunState::FINISHED, $event->at);
        }
    }

    private function extend(RunState $state, Event $event): void
    {
        $timer = (string) $event->text('timer');
        if (isset($state->timers[$timer])) {
            $state->timers[$timer]['ends_at'] += 60 * (float) $event->data['minutes'];
            $state->timers[$timer]['minutes'] += (float) $event->data['minutes'];
        }
    }

    private function correct(RunState $state, Event $event): void
    {
        $key = (string) $event->text('event');
        if (isset($state->entries[$key])) {
            $state->entries[$key]['values'] = array_merge($state->entries[$key]['values'], $event->data['values'] ?? []);
            $state->entries[$key]['corrected']++;
        }
    }

    private function end(RunState $state, string $status, float $at): void
    {
        $state->status = $status;
        $state->endedAt = $at;
    }

    /** @return array<string, mixed>|null */
    private function after(string $id): ?array
    {
        $steps = $this->procedure->steps();
        foreach ($steps as $i => $step) {
            if ($step['id'] === $id) {
                return $steps[$i + 1] ?? null;
            }
        }

        return null;
    }

    private function titleOf(?string $step): string
    {
        return (string) ($this->procedure->step((string) $step)['title'] ?? $step);
    }

    /** What is confirmed is true of this moment: a step that is not under way has nothing to confirm. */
    private function refusesConfirmation(RunState $state, Event $event): ?InputError
    {
        $id = (string) $event->text('step');
        $items = array_column($this->procedure->step($id)['confirm'] ?? [], 'id');
        if (! in_array($event->text('item'), $items, true)) {
            return new InputError('data.item', 'this step has no such thing to confirm');
        }

        return $state->step === $id ? null : new InputError('data.step', "is not the current step: that is {$this->titleOf($state->step)}");
    }

    private function refusesEntry(RunState $state, Event $event): ?InputError
    {
        $entry = (string) $event->text('entry');
        $values = $event->data['values'] ?? null;
        if (! is_array($values)) {
            return new InputError('data.values', 'must be an object with the values logged');
        }
        $bad = $this->procedure->refusesValues($entry, $values);
        if ($bad !== null) {
            return $bad->under('data');
        }
        $step = $this->procedure->step((string) $state->step);
        if (! in_array($entry, $step['entries'] ?? [], true)) {
            return new InputError('data.entry', sprintf('is not logged now, at "%s": it belongs to %s', $step['title'] ?? '', implode(' or ', array_map(
                static fn (array $s): string => "\"{$s['title']}\"", $this->procedure->stepsThatLog($entry),
            )) ?: 'no step'));
        }
        if (($this->procedure->entry($entry)['once'] ?? false) === true && $state->count($entry) > 0) {
            return new InputError('data.entry', 'is already logged: correct that entry instead');
        }

        return null;
    }

    private function refusesCorrection(RunState $state, Event $event): ?InputError
    {
        $entry = $state->entries[(string) $event->text('event')] ?? null;
        if ($entry === null) {
            return new InputError('data.event', 'names no entry of this run');
        }
        if ($event->text('reason') === null) {
            return new InputError('data.reason', 'say why it is corrected');
        }
        $values = $event->data['values'] ?? null;
        if (! is_array($values) || $values === []) {
            return new InputError('data.values', 'give the corrected values');
        }

        return $this->procedure->refusesValues($entry['entry'], array_merge($entry['values'], $values))?->under('data');
    }

    private function refusesStep(RunState $state, Event $event): ?InputError
    {
        $id = (string) $event->text('step');
        $step = $this->procedure->step($id);
        if ($step === null) {
            return new InputError('data.step', 'this procedure has no such step');
        }
        if (isset($state->done[$id])) {
            return new InputError('data.step', "is already done, by {$state->done[$id]['by']}");
        }
        if ($state->step !== $id) {
            return new InputError('data.step', "is not the current step: {$this->titleOf($state->step)} comes first");
        }
        $missing = $this->missing($state, $id, $event->at);
        if ($missing === []) {
            return null;
        }
        $open = $step['pass_anyway'] ?? 'no';
        if ($open === 'no' || ($open === 'lead' && ! $event->byLead) || $event->text('reason') === null) {
            return new InputError($open === 'no' ? 'data.step' : 'data.reason', 'not yet: '.implode('; ', $missing).match ($open) {
                'no' => '', 'lead' => '. A lead may pass it with a written reason', default => '. Give a reason to go on anyway',
            });
        }

        return null;
    }

    private function refusesExtension(RunState $state, Event $event): ?InputError
    {
        $timer = $state->timers[(string) $event->text('timer')] ?? null;
        $minutes = $event->data['minutes'] ?? null;
        if ($timer === null || $timer['answered_at'] !== null) {
            return new InputError('data.timer', 'is not running');
        }
        if ((! is_int($minutes) && ! is_float($minutes)) || ! is_finite((float) $minutes) || abs($minutes) > 600 || $minutes == 0) {
            return new InputError('data.minutes', 'must be a number of minutes, at most 600');
        }
        if ($event->text('reason') === null) {
            return new InputError('data.reason', 'say why the time changes');
        }

        return null;
    }

    /** @param  array<string, mixed>  $gate */
    private function lacksTime(RunState $state, array $gate, float $at): ?string
    {
        $timer = $state->timers[$gate['timer']] ?? null;
        if ($timer === null) {
            return (string) $gate['says'];
        }
        $left = $timer['ends_at'] - $at;

        return $left <= 0.5 ? null : sprintf('%s: %d:%02d to go', $gate['says'], intdiv((int) ceil($left), 60), (int) ceil($left) % 60);
    }

    /**
     * @param  array<string, mixed>  $step
     * @param  array<string, mixed>  $gate
     */
    private function lacksConfirmation(RunState $state, array $step, array $gate): ?string
    {
        $open = [];
        foreach ($step['confirm'] ?? [] as $item) {
            if (in_array($item['id'], $gate['confirmed'], true) && ! isset($state->confirmed[$step['id']][$item['id']])) {
                $open[] = lcfirst((string) $item['text']);
            }
        }

        return $open === [] ? null : 'confirm: '.implode(', ', $open);
    }

    /** @param  array<string, mixed>  $gate */
    private function lacksEntry(RunState $state, string $step, array $gate): ?string
    {
        $values = $state->latest($gate['entry'], $step);
        if ($values === null) {
            return 'log '.$gate['says'];
        }
        foreach ($gate['fields'] ?? [] as $field) {
            $value = (float) ($values[$field] ?? 0);
            if (isset($gate['at_least']) && $value < (float) $this->plan[$gate['at_least']]) {
                return (string) $gate['says'];
            }
            if (isset($gate['near']) && abs($value - (float) $this->plan[$gate['near']]) > (float) $this->plan[$gate['tolerance']] + 1e-9) {
                return (string) $gate['says'];
            }
        }

        return null;
    }

    /**
     * @param  array<string, mixed>  $step
     * @param  array<string, mixed>  $reminder
     */
    private function reminderDue(RunState $state, array $step, array $reminder): ?float
    {
        $every = $this->plan[$reminder['every_min']] ?? null;
        $timer = isset($step['timer']) ? ($state->timers[$step['timer']] ?? null) : null;
        if (! is_numeric($every) || $every <= 0) {
            return null;
        }
        $since = $timer['started_at'] ?? $state->stepSince;
        $due = ($state->lastAt((string) $reminder['entry'], $since) ?? $since) + 60 * (float) $every;

        // A reminder that would fall due within half an interval of the timer's end is left to the end itself.
        return $timer !== null && $due > $timer['ends_at'] - 30 * (float) $every ? null : $due;
    }
}
