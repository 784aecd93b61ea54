<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\InputError;

/** From one minute to another. */
final readonly class Span
{
    public function __construct(public float $from, public float $to)
    {
    }

    /**
     * A calendar as it is sent: [[from, to], …], in order and without overlap.
     *
     * @param  array<mixed>  $given
     * @return list<self>
     *
     * @throws InputError
     */
    public static function calendar(string $field, array $given): array
    {
        $spans = [];
        foreach (array_values($given) as $i => $pair) {
            $whole = is_array($pair) && array_is_list($pair) && count($pair) === 2
                && is_numeric($pair[0]) && is_numeric($pair[1]) && ! is_string($pair[0]) && ! is_string($pair[1]);
            if (! $whole || ! is_finite((float) $pair[0]) || ! is_finite((float) $pair[1]) || $pair[1] <= $pair[0]) {
                throw new InputError("{$field}.{$i}", 'must be [from, to] in minutes, to after from');
            }
            if ($spans !== [] && $pair[0] < end($spans)->to) {
                throw new InputError("{$field}.{$i}", 'must come after the one before it');
            }
            $spans[] = new self((float) $pair[0], (float) $pair[1]);
        }

        return $spans;
    }

    /**
     * Where at least one of them is.
     *
     * @param  list<self>  $spans
     * @return list<self> in order, without overlap
     */
    public static function joined(array $spans): array
    {
        usort($spans, static fn (self $a, self $b): int => $a->from <=> $b->from);
        $joined = [];
        foreach ($spans as $span) {
            $last = array_pop($joined);
            $joined = match (true) {
                $last === null => [$span],
                $span->from <= $last->to => [...$joined, new self($last->from, max($last->to, $span->to))],
                default => [...$joined, $last, $span],
            };
        }

        return $joined;
    }

    public function holds(float $from, float $to): bool
    {
        return $this->from <= $from + 1e-9 && $to <= $this->to + 1e-9;
    }

    public function meets(float $from, float $to): bool
    {
        return $this->from < $to - 1e-9 && $from < $this->to - 1e-9;
    }
}
