<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Numerics\Median;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunState;

/** What was really done of a planned number: minutes of its timer, or what was logged near it. */
final readonly class Done
{
    /**
     * @param  string  $what  in words
     * @param  'time'|'mass'  $kind
     * @param  array<int, float>  $byPiece  0 for the run itself
     */
    private function __construct(public string $what, public string $kind, public array $byPiece)
    {
    }

    public static function of(Procedure $procedure, RunState $state, string $planned): self
    {
        foreach ($procedure->timers() as $timer) {
            if ($timer->minutes === $planned) {
                $minutes = array_map(static fn (array $t): float => ($t[1] - $t[0]) / 60, $state->answered($timer->id));

                return new self($timer->title, 'time', $minutes);
            }
        }

        return new self('Charge', 'mass', self::logged($procedure, $state, $planned));
    }

    /**
     * The settings that tell runs apart as they were really done, the middle one of a run's pieces; what nobody timed
     * or logged is not among them.
     *
     * @return array<string, float> by figure
     */
    public static function figures(Definition $process, Procedure $procedure, RunState $state): array
    {
        $figures = [];
        foreach ($process->figures() as $figure) {
            $done = $figure->measured ? [] : array_values(self::of($procedure, $state, $figure->id)->byPiece);
            if ($done === []) {
                continue;
            }
            $figures[$figure->id] = round(Median::of($done), 4);
        }

        return $figures;
    }

    /** @return array<int, float> by piece, as it was entered at a step that holds it near what was planned */
    private static function logged(Procedure $procedure, RunState $state, string $planned): array
    {
        $done = [];
        foreach ($procedure->steps() as $step) {
            foreach ($step->gates as $gate) {
                if ($gate->near !== $planned || $gate->entry === null) {
                    continue;
                }
                foreach ([$state, ...$state->pieces] as $thread) {
                    $value = $state->latest($gate->entry, $step->id, $thread->piece)[$gate->fields[0] ?? ''] ?? null;
                    if (is_numeric($value)) {
                        $done[$thread->piece ?? 0] = (float) $value;
                    }
                }
            }
        }

        return $done;
    }
}
