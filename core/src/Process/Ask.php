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
            // One of a list came from where the whole of it did.
            $whole = (string) preg_replace('/\.\d+$/', '', $error->field);

            throw new InputError(
                $from[$error->field] ?? $from[$whole] ?? "settings.{$error->field}",
                $error->getMessage(),
            );
        }
    }

    /**
     * What is refused within, named by where it came from: by its whole field, else by what that stands under; as it is
     * where neither is told.
     *
     * @template Out
     *
     * @param  callable(): Out  $within
     * @param  array<string, string>  $from
     * @return Out
     *
     * @throws InputError
     */
    public static function named(callable $within, array $from): mixed
    {
        try {
            return $within();
        } catch (InputError $error) {
            [$first, $rest] = explode('.', $error->field, 2) + [1 => ''];
            $under = $from[$first] ?? $first;

            throw new InputError(
                $from[$error->field] ?? ($rest === '' ? $under : "{$under}.{$rest}"),
                $error->getMessage(),
            );
        }
    }
}
