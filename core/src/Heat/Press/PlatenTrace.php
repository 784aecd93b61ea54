<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Heat\Conduction\Held;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Heat\InOrder;

/**
 * A platen's readings, and a stack that is driven by them: over each interval the platen has the mean of both its ends.
 * Noise of a kelvin every twenty seconds does not reach the middle of a sheet, so nothing is smoothed here.
 */
final readonly class PlatenTrace
{
    /** @var list<PlatenReading> from slide-in on, in order */
    public array $readings;

    /**
     * @param  list<PlatenReading>  $readings
     * @param  float  $start  the platen at slide-in, when the first reading comes later, °C
     *
     * @throws InputError t_s, when they are not in order
     */
    public function __construct(array $readings, float $start, string $field = 'readings')
    {
        InOrder::must($readings, $field);
        $since = array_values(array_filter($readings, static fn (PlatenReading $r): bool => $r->t_s >= 0));
        $this->readings = $since === [] || $since[0]->t_s > 0 ? [new PlatenReading(0.0, $start), ...$since] : $since;
    }

    /**
     * Runs a stack, whose right face is `$face`, along the readings from where it is until `$until` at the latest.
     *
     * @param  null|callable(Stack, float): bool  $watch
     */
    public function drive(Stack $stack, Held $face, float $from, float $until, ?callable $watch = null): void
    {
        foreach ($this->readings as $i => $reading) {
            $next = $this->readings[$i + 1] ?? null;
            if ($next === null || $reading->t_s >= $until) {
                return;
            }
            $face->temperature = ($reading->platen_c + $next->platen_c) / 2;
            $stack->run($from + min($next->t_s, $until), $watch);
        }
    }

    public function last(): PlatenReading
    {
        return $this->readings[count($this->readings) - 1];
    }
}
