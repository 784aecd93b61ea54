<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;

/** One calculation asked by a planner; what it refuses is named by the setting or fact that it was given. */
final class Ask
{
    /**
     * @template In of object
     * @template Out of object
     *
     * @param  callable(In): Out  $calculation
     * @param  class-string<In>  $class
     * @param  array<string, mixed>  $input
     * @param  array<string, string>  $from  where a field came from: "settings.melt_c"
     * @return Out
     *
     * @throws InputError
     */
    public static function for(callable $calculation, string $class, array $input, array $from = []): object
    {
        try {
            return $calculation(Reader::read($class, array_filter($input, static fn (mixed $v): bool => $v !== null)));
        } catch (InputError $error) {
            $field = $from[$error->field] ?? "settings.{$error->field}";

            throw new InputError($field, $error->getMessage());
        }
    }
}
