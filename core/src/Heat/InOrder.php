<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat;

use Dithermic\Core\Calculator\InputError;

/** Readings of one thing, each later than the one before it. */
final class InOrder
{
    /**
     * @param  list<object{t_s: float}>  $readings
     *
     * @throws InputError by the first that is not
     */
    public static function must(array $readings, string $field = 'readings'): void
    {
        foreach ($readings as $i => $reading) {
            if ($i > 0 && $reading->t_s <= $readings[$i - 1]->t_s) {
                throw new InputError("{$field}.{$i}.t_s", 'must be later than the reading before it');
            }
        }
    }
}
