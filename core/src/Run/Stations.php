<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/**
 * Which places a run holds, and since when: two runs never hold one machine at the same time. What heats is taken from
 * the start, for it is heated for this run; any other place that takes or gives heat from when something first goes in.
 * A place is left when nothing of the run is there and nothing more will come.
 */
final class Stations
{
    /**
     * @param  list<string>  $throughout  what hangs as long as the run lasts, as a mould does, wherever it is worked at
     * @return array<string, array{from: float, to: ?float}> by place, those that have been taken; times in seconds since 1970 UTC
     */
    public static function of(Procedure $procedure, RunState $state, array $throughout = []): array
    {
        $spans = $state->startedAt === null ? [] : array_fill_keys($throughout, [
            'from' => $state->startedAt,
            'to' => $state->status === RunState::RUNNING ? null : $state->endedAt,
        ]);
        foreach ($procedure->places() as $place) {
            $stands = $place->heat === 'none' || isset($spans[$place->id]);
            $span = $stands ? null : self::span($procedure, $state, $place);
            if ($span !== null) {
                $spans[$place->id] = $span;
            }
        }

        return $spans;
    }

    /** @return array{from: float, to: ?float}|null */
    private static function span(Procedure $procedure, RunState $state, Place $place): ?array
    {
        $steps = array_values(array_filter(
            $procedure->steps(),
            static fn (Step $step): bool => $step->place === $place->id,
        ));
        $entered = [];
        $left = [];
        foreach ([$state, ...$state->pieces] as $thread) {
            foreach ($steps as $step) {
                if (isset($thread->done[$step->id])) {
                    $entered[] = $thread->done[$step->id]['began'];
                    $left[] = $thread->done[$step->id]['at'];
                } elseif ($thread->isAt($step)) {
                    $entered[] = $thread->stepSince;
                }
            }
        }
        if ($place->heat === 'in' && $state->startedAt !== null) {
            $entered[] = $state->startedAt;
        }
        if ($entered === []) {
            return null;
        }
        // A run that was stopped held what it was at, or still meant to come to, until then.
        $ended = $state->status === RunState::RUNNING ? null : $state->endedAt;
        $to = self::comesAgain($procedure, $state, $steps) || $left === [] ? $ended : max($left);

        return ['from' => min($entered), 'to' => $to];
    }

    /**
     * Whether anything of the run is at these steps or still before them.
     *
     * @param  list<Step>  $steps
     */
    private static function comesAgain(Procedure $procedure, RunState $state, array $steps): bool
    {
        $phases = array_map(static fn (Step $step): Phase => $step->phase, $steps);
        if (in_array(Phase::Piece, $phases, true) && ! $state->closing) {
            return true;
        }
        foreach ($state->underWay() as $thread) {
            foreach ($steps as $step) {
                if (
                    ! isset($thread->done[$step->id])
                    && ($step->phase === Phase::Piece) === ($thread->piece !== null)
                ) {
                    return true;
                }
            }
        }

        return in_array(Phase::Closing, $phases, true) && ! $state->closing;
    }
}
