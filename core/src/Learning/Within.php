<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

use Dithermic\Core\Calculator\InputError;

/** Names what is refused inside a nested input by where it stands. */
final class Within
{
    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public static function of(string $where, callable $work): mixed
    {
        try {
            return $work();
        } catch (InputError $error) {
            throw $error->under($where);
        }
    }
}
