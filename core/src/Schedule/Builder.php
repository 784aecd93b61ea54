<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Numerics\TooMuchWork;

/**
 * A plan built piece by piece in a given order, each as early as what is on the board lets it (serial schedule
 * generation; Kolisch, European J. Operational Research 90 (1996) 320). Tasks without a wait between them are placed as
 * one.
 */
final class Builder
{
    /** so often a piece is begun later, because what must follow soon could not, before it is given up */
    private const TRIES = 60;

    private const STEPS = 2000;

    /** @var array<string, string> why, by job */
    public array $impossible = [];

    /** @var array<string, float> when the last piece that was placed begins, by job: on a fuller board the next, its like, begins no sooner */
    private array $began = [];

    private Board $board;

    public function __construct(private readonly PlanInput $in, private readonly Changeovers $changeovers)
    {
        $this->board = new Board($in, $changeovers);
    }

    /**
     * @param  list<array{Job, int}>  $order  pieces of jobs
     * @param  list<string>  $spared  whose hands are left for other work
     * @return list<Placed>
     *
     * @throws TooMuchWork
     */
    public function build(array $order, array $spared = []): array
    {
        $this->board = new Board($this->in, $this->changeovers, $spared);
        [$this->impossible, $this->began] = [[], []];
        foreach ($order as [$job, $piece]) {
            if (! isset($this->impossible[$job->id])) {
                $why = $this->piece($job, $piece);
                if ($why !== null) {
                    $this->impossible[$job->id] = $job->pieces === 1 ? $why : "piece {$piece}: {$why}";
                }
            }
        }

        // Of a job that cannot be done nothing is begun.
        return array_values(array_filter(
            $this->board->placed(),
            fn (Placed $p): bool => ! isset($this->impossible[$p->job->id]),
        ));
    }

    /** Why it cannot be placed; null when it is. */
    private function piece(Job $job, int $piece): ?string
    {
        $blocks = self::blocks($job);
        $count = count($this->board->placed());
        $earliest = array_fill(
            0,
            count($blocks),
            max($this->in->now, $job->release ?? $this->in->now, $this->began[$job->id] ?? -INF),
        );
        $pinned = $piece === 1 ? $job->pinned_start : null;
        if ($pinned !== null) {
            $earliest[0] = $pinned;
        } elseif ($job->pinned_start !== null) {
            // Nothing of a pinned job is done before it begins.
            $earliest = array_map(static fn (float $at): float => max($at, $job->pinned_start), $earliest);
        }
        for ($try = 0; $try < self::TRIES; $try++) {
            $this->board->backTo($count);
            $done = [];
            $again = false;
            foreach ($blocks as $b => $block) {
                $after = $this->ends($block[0], $done);
                $from = $earliest[$b];
                foreach ($block as $task) {
                    foreach (array_diff($task->after, array_column($block, 'id')) as $before) {
                        // Whatever any of a block waits for is done before it begins: it is not stopped on its way.
                        $from = max($from, ($done[$before] ?? null)->end ?? INF);
                    }
                }
                if (is_infinite($from)) {
                    return "{$block[0]->id} waits for what is done after it";
                }
                $placed = $this->block($job, $piece, $block, $from);
                if ($placed instanceof Clash) {
                    $this->board->backTo($count);

                    return $placed->says;
                }
                if ($b === 0 && $pinned !== null && abs($placed[0]->start - $pinned) > 1e-6) {
                    $this->board->backTo($count);

                    return sprintf('cannot begin at %s: %s', self::when($pinned), $placed[0]->because);
                }
                $late = $this->gapOver($block[0], $after, $placed[0]->start);
                if ($late !== null) {
                    // What must follow soon cannot: what comes before it begins that much later.
                    [$before, $minutes] = $late;
                    $at = self::blockOf($blocks, $before);
                    $earliest[$at] = $done[$blocks[$at][0]->id]->start + $minutes;
                    $again = true;
                    break;
                }
                foreach ($placed as $one) {
                    $done[$one->task->id] = $one;
                }
            }
            if (! $again) {
                $this->began[$job->id] = $done[$blocks[0][0]->id]->start;

                return null;
            }
        }
        $this->board->backTo($count);

        return 'what must follow at once finds no place soon enough';
    }

    /**
     * @param  non-empty-list<Task>  $block
     * @return non-empty-list<Placed>|Clash
     */
    private function block(Job $job, int $piece, array $block, float $from): array|Clash
    {
        $count = count($this->board->placed());
        $because = '';
        $often = [];
        $at = $from;
        for ($step = 0; $step < self::STEPS; $step++) {
            $tried = $this->at($job, $piece, $block, 0, $at);
            if (! $tried instanceof Clash) {
                $tried[0]->because = $because;

                return $tried;
            }
            $this->board->backTo($count);
            $because = $tried->says;
            $often[$because] = ($often[$because] ?? 0) + 1;
            if (is_infinite($tried->notBefore)) {
                break;
            }
            $at = max($tried->notBefore, $at + 1e-6);
        }

        // What stood in its way most often says more than what did last.
        return new Clash(INF, (string) array_search(max($often), $often, true));
    }

    /**
     * A block from one of its tasks on, at a moment, on whichever stations let it.
     *
     * @param  non-empty-list<Task>  $block
     * @return non-empty-list<Placed>|Clash as from which moment of the block's start
     */
    private function at(Job $job, int $piece, array $block, int $index, float $start): array|Clash
    {
        $count = count($this->board->placed());
        $soonest = null;
        foreach ($block[$index]->stations as $option) {
            $placed = $this->board->look($job, $piece, $block[$index], $option, $start);
            $clash = $placed instanceof Clash ? $placed : null;
            if ($placed instanceof Placed) {
                $this->board->put($placed);
                if (! isset($block[$index + 1])) {
                    return [$placed];
                }
                $rest = $this->at($job, $piece, $block, $index + 1, $placed->end);
                if (! $rest instanceof Clash) {
                    return [$placed, ...$rest];
                }
                $this->board->backTo($count);
                $clash = new Clash($start + ($rest->notBefore - $placed->end), $rest->says);
            }
            if ($clash !== null && ($soonest === null || $clash->notBefore < $soonest->notBefore)) {
                $soonest = $clash;
            }
        }

        return $soonest ?? new Clash(INF, 'no station does it');
    }

    /**
     * Tasks that follow one another without a wait are one block; every other is one of its own.
     *
     * @return list<non-empty-list<Task>>
     */
    private static function blocks(Job $job): array
    {
        $blocks = [];
        foreach ($job->tasks as $task) {
            $joins = null;
            foreach ($task->no_wait ? $blocks : [] as $b => $block) {
                if (in_array(end($block)->id, $task->after, true)) {
                    $joins = $b;
                }
            }
            if ($joins === null) {
                $blocks[] = [$task];
            } else {
                $blocks[$joins][] = $task;
            }
        }

        return $blocks;
    }

    /** @param  list<non-empty-list<Task>>  $blocks */
    private static function blockOf(array $blocks, string $task): int
    {
        foreach ($blocks as $b => $block) {
            if (in_array($task, array_column($block, 'id'), true)) {
                return $b;
            }
        }

        return 0;
    }

    /**
     * @param  array<string, Placed>  $done
     * @return list<Placed> what a task waits for
     */
    private function ends(Task $task, array $done): array
    {
        return array_values(array_intersect_key($done, array_flip($task->after)));
    }

    /**
     * @param  list<Placed>  $after
     * @return array{string, float}|null the task before it that would have to come later, and by how much
     */
    private function gapOver(Task $task, array $after, float $start): ?array
    {
        $most = $task->no_wait ? 0.0 : $task->max_gap_min;
        foreach ($most === null ? [] : $after as $before) {
            if ($start - $before->end > $most + 1e-6) {
                return [$before->task->id, $start - $before->end - $most];
            }
        }

        return null;
    }

    private static function when(float $minute): string
    {
        return sprintf('minute %s', round($minute, 2));
    }
}
