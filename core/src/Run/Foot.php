<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Calculator\InputError;

/**
 * What a press of a foot switch says when both hands are full: what is in front is done, or good; a long one: not good.
 * It never says more than one touch of the screen's main button would (resources/js/areas/run/focus.ts), and passes no
 * gate.
 */
final readonly class Foot
{
    public const PRESS = 'press';

    public const LONG = 'long';

    public function __construct(private RunMachine $machine)
    {
    }

    /**
     * @return list<array{type: EventType, data: array<string, mixed>}> in the order in which they are entered
     *
     * @throws InputError naming what is missing
     */
    public function says(RunState $state, string $signal, float $now): array
    {
        if ($state->status !== RunState::RUNNING) {
            throw new InputError('signal', "the run is {$state->status}");
        }
        $piece = $this->inFront($state, $now);
        if ($piece !== null && ! isset($state->pieces[$piece])) {
            return $this->begin($piece, $signal, $state, $now);
        }
        $thread = $state->thread($piece);
        $step = $this->machine->procedure->step((string) $thread?->step);
        if ($thread === null || $step === null) {
            throw new InputError('signal', 'nothing waits for it: the run is between its steps');
        }
        $of = static fn (array $data): array => $piece === null ? $data : $data + ['piece' => $piece];
        $missing = $this->machine->missing($state, $step->id, $now, $piece);
        $judged = $this->judgedBy($step, $piece, $missing);
        if ($judged !== null) {
            [$steps, $entry] = $judged;
            $last = array_pop($steps);
            $values = $signal === self::LONG
                ? ['verdict' => 'scrap', 'reason' => 'rejected at the foot switch']
                : ['verdict' => 'good'];
            $done = static fn (Step $s): array => ['type' => EventType::StepDone, 'data' => $of(['step' => $s->id])];

            return [
                ...array_map($done, $steps),
                ['type' => EventType::Logged, 'data' => $of(['entry' => $entry, 'values' => $values])],
                $done($last),
            ];
        }
        if ($signal === self::LONG) {
            throw new InputError('signal', "there is nothing to reject: {$step->title} is in front");
        }
        if ($missing !== []) {
            throw new InputError('signal', "passes no gate: {$missing[0]}");
        }

        return [['type' => EventType::StepDone, 'data' => $of(['step' => $step->id])]];
    }

    /**
     * What the run is about now: itself, while it has a step; what wants hands now, with both hands full first; else
     * the piece that can be begun; else the one whose wait ends first. Null is the run itself.
     */
    private function inFront(RunState $state, float $now): ?int
    {
        if (! $this->machine->procedure->hasPieces() || $state->step !== null) {
            return null;
        }
        $hands = $this->machine->hands($state);
        $due = array_filter($hands, static fn (Hand $hand): bool => $hand->at <= $now);
        foreach ($due as $hand) {
            // Whoever carries something hot is not asked to wait for anything else.
            $step = $this->machine->procedure->step((string) $state->thread($hand->piece)?->step);
            if ($step?->hands === Hold::None) {
                return $hand->piece;
            }
        }
        if ($due !== []) {
            return $hands[0]->piece;
        }

        return $this->machine->next($state)->piece ?? $hands[0]->piece ?? null;
    }

    /** @return list<array{type: EventType, data: array<string, mixed>}> */
    private function begin(int $piece, string $signal, RunState $state, float $now): array
    {
        $first = $this->machine->procedure->first(Phase::Piece);
        if ($first === null || $signal === self::LONG) {
            throw new InputError('signal', 'there is nothing to reject yet');
        }
        if ($first->gates !== []) {
            throw new InputError('signal', "passes no gate: {$first->title} asks for something first");
        }
        $cold = $this->machine->cold($state, $first, $now);
        if ($cold !== null) {
            throw new InputError('signal', "passes no gate: {$cold}");
        }

        return [
            ['type' => EventType::PieceBegun, 'data' => ['piece' => $piece]],
            ['type' => EventType::StepDone, 'data' => ['step' => $first->id, 'piece' => $piece]],
        ];
    }

    /**
     * The steps that a verdict alone would finish: this one, once nothing else is missing in it, and the last, in which
     * the piece is judged.
     *
     * @param  list<string>  $missing
     * @return array{non-empty-list<Step>, string}|null steps and the entry of the verdict
     */
    private function judgedBy(Step $step, ?int $piece, array $missing): ?array
    {
        if ($piece === null) {
            return null;
        }
        $here = $this->judges($step);
        if ($here !== null) {
            return [[$step], $here];
        }
        $next = $this->machine->procedure->after($step);
        $there = $next === null ? null : $this->judges($next);

        return $next === null || $there === null || $missing !== [] ? null : [[$step, $next], $there];
    }

    /** The entry of the verdict, where a verdict is all that the last step asks. */
    private function judges(Step $step): ?string
    {
        $entry = count($step->gates) === 1 ? $this->machine->procedure->entry((string) $step->gates[0]->entry) : null;

        return $entry?->effect === 'dispose' && $this->machine->procedure->after($step) === null ? $entry->id : null;
    }
}
