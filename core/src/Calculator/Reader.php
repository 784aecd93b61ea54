<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

use BackedEnum;
use ReflectionClass;
use ReflectionNamedType;
use ReflectionParameter;

/**
 * Makes a typed input object out of decoded JSON, or refuses it by the dotted name of the first field at fault.
 * The constructor of the input class is the only declaration of its fields; see Field and Flatten.
 */
final class Reader
{
    /** What must be above nothing is at least this much: no quantity of the shop is smaller in its unit. */
    private const SMALLEST = 1e-9;

    /** bytes of a text */
    private const LONGEST = 4000;

    /** @var array<class-string, list<array{ReflectionParameter, Field, bool}>> */
    private static array $plans = [];

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @return T
     *
     * @throws InputError
     */
    public static function read(string $class, mixed $json): object
    {
        if (! is_array($json) || ($json !== [] && array_is_list($json))) {
            throw new InputError('', 'must be an object with named fields');
        }
        $arguments = [];
        foreach (self::plan($class) as [$parameter, $field, $flat]) {
            $arguments[] = $flat
                ? self::typed(self::typeOf($parameter), $json)
                : self::value($parameter, $field, $json[$parameter->name] ?? null);
        }
        $input = new $class(...$arguments);
        if ($input instanceof Checked) {
            $input->check();
        }

        return $input;
    }

    /**
     * @param  class-string  $class
     * @return list<array{ReflectionParameter, Field, bool}>
     */
    public static function plan(string $class): array
    {
        if (! isset(self::$plans[$class])) {
            $plan = [];
            foreach ((new ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $parameter) {
                $field = ($parameter->getAttributes(Field::class)[0] ?? null)?->newInstance() ?? new Field;
                $plan[] = [$parameter, $field, $parameter->getAttributes(Flatten::class) !== []];
            }
            self::$plans[$class] = $plan;
        }

        return self::$plans[$class];
    }

    /**
     * What a class has a field for, of what somebody keeps: a shop keeps more than any one calculation asks.
     *
     * @param  class-string  $class
     * @param  array<string, mixed>  $kept
     * @return array<string, mixed>
     */
    public static function known(string $class, array $kept): array
    {
        return array_intersect_key($kept, array_flip(self::names($class)));
    }

    /**
     * Facts that somebody gives, each of which must be one that the class has and fit it; null is not known.
     *
     * @param  class-string  $class
     * @param  array<array-key, mixed>  $given
     * @param  string  $strange  what is said of a name that is none
     *
     * @throws InputError by the fact
     */
    public static function mustFit(string $class, array $given, string $strange): void
    {
        $strangers = array_diff(array_keys($given), self::names($class));
        if ($strangers !== []) {
            throw new InputError((string) reset($strangers), $strange);
        }
        self::read($class, array_filter($given, static fn (mixed $value): bool => $value !== null));
    }

    /**
     * @param  class-string  $class
     * @return list<string>
     */
    private static function names(string $class): array
    {
        $names = [];
        foreach (self::plan($class) as [$parameter, , $flat]) {
            $type = self::typeOf($parameter);
            array_push($names, ...($flat && class_exists($type) ? self::names($type) : [$parameter->name]));
        }

        return $names;
    }

    /** @return class-string|string */
    public static function typeOf(ReflectionParameter $parameter): string
    {
        $type = $parameter->getType();

        return $type instanceof ReflectionNamedType ? $type->getName() : 'mixed';
    }

    private static function value(ReflectionParameter $parameter, Field $field, mixed $given): mixed
    {
        $name = $parameter->name;
        if ($given === null) {
            if ($parameter->isDefaultValueAvailable()) {
                return $parameter->getDefaultValue();
            }
            if ($parameter->allowsNull()) {
                return null;
            }
            throw new InputError($name, 'is required'.($field->about === '' ? '' : ': '.$field->about));
        }
        $type = self::typeOf($parameter);

        return match (true) {
            $type === 'float' => self::number($name, $field, $given),
            $type === 'int' => self::whole($name, $field, $given),
            $type === 'bool' => is_bool($given) ? $given : throw new InputError($name, 'must be true or false'),
            $type === 'string' => self::text($name, $given),
            $type === 'array' && $field->of === 'counts' => self::counts($name, $given),
            $type === 'array' && $field->of === 'named' => self::named($name, $given),
            $type === 'array' => self::items($name, $field, $given),
            is_subclass_of($type, BackedEnum::class) => self::choice($name, $type, $given),
            class_exists($type) => self::nested($name, $type, $given),
            default => $given,
        };
    }

    private static function typed(string $class, mixed $json): object
    {
        assert(class_exists($class));

        return self::read($class, $json);
    }

    private static function text(string $name, mixed $given): string
    {
        if (! is_string($given)) {
            throw new InputError($name, 'must be text');
        }
        if (strlen($given) > self::LONGEST) {
            throw new InputError($name, 'must be text of at most '.self::LONGEST.' bytes');
        }

        return $given;
    }

    private static function number(string $name, Field $field, mixed $given): float
    {
        if (is_string($given)) {
            throw new InputError($name, 'must be a number, not text');
        }
        if ((! is_int($given) && ! is_float($given)) || ! is_finite((float) $given)) {
            throw new InputError($name, 'must be a finite number');
        }
        $value = (float) $given;
        $unit = $field->unit === '' ? '' : ' '.$field->unit;
        match (true) {
            $field->above !== null && $value <= $field->above => throw new InputError(
                $name,
                "must be above {$field->above}{$unit}",
            ),
            $field->above === 0.0 && $value < self::SMALLEST => throw new InputError(
                $name,
                "is too small to mean anything: at least 1e-9{$unit}",
            ),
            $field->min !== null && $value < $field->min => throw new InputError(
                $name,
                "must be at least {$field->min}{$unit}",
            ),
            $field->below !== null && $value >= $field->below => throw new InputError(
                $name,
                "must be below {$field->below}{$unit}",
            ),
            $field->max !== null && $value > $field->max => throw new InputError(
                $name,
                "must be at most {$field->max}{$unit}",
            ),
            default => null,
        };

        return $value;
    }

    private static function whole(string $name, Field $field, mixed $given): int
    {
        $value = self::number($name, $field, $given);
        if (floor($value) !== $value || abs($value) > 1e15) {
            throw new InputError($name, 'must be a whole number');
        }

        return (int) $value;
    }

    /** @param  class-string<BackedEnum>  $enum */
    private static function choice(string $name, string $enum, mixed $given): BackedEnum
    {
        $found = is_string($given) ? $enum::tryFrom($given) : null;
        if ($found === null) {
            $known = implode(
                ', ',
                array_map(static fn (BackedEnum $case): string => (string) $case->value, $enum::cases()),
            );
            throw new InputError($name, "must be one of: {$known}");
        }

        return $found;
    }

    private static function nested(string $name, string $class, mixed $given): object
    {
        try {
            return self::typed($class, $given);
        } catch (InputError $error) {
            throw $error->under($name);
        }
    }

    /** @return array<string, int> whole numbers of at least 1, by name */
    private static function counts(string $name, mixed $given): array
    {
        if (! is_array($given) || ($given !== [] && array_is_list($given))) {
            throw new InputError($name, 'must be an object of counts by name');
        }
        $counts = [];
        foreach ($given as $key => $count) {
            try {
                $counts[(string) $key] = self::whole('', new Field(min: 1), $count);
            } catch (InputError $error) {
                throw $error->under("{$name}.{$key}");
            }
        }

        return $counts;
    }

    /** @return array<string, mixed> what the calculation itself reads, by name */
    private static function named(string $name, mixed $given): array
    {
        if (! is_array($given) || ($given !== [] && array_is_list($given))) {
            throw new InputError($name, 'must be an object with named fields');
        }
        if (count($given) > 200) {
            throw new InputError($name, 'takes at most 200');
        }

        return $given;
    }

    /** @return list<mixed> */
    private static function items(string $name, Field $field, mixed $given): array
    {
        if (! is_array($given) || ! array_is_list($given)) {
            throw new InputError($name, 'must be a list');
        }
        if (count($given) < $field->atLeast) {
            throw new InputError($name, "needs at least {$field->atLeast}");
        }
        if (count($given) > $field->atMost) {
            throw new InputError($name, "takes at most {$field->atMost}");
        }
        $items = [];
        foreach ($given as $index => $item) {
            try {
                $items[] = match (true) {
                    $field->of === 'number' => self::number('', $field, $item),
                    $field->of === 'string' => self::text('', $item),
                    $field->of !== null => self::typed($field->of, $item),
                    default => $item,
                };
            } catch (InputError $error) {
                throw $error->under($name.'.'.$index);
            }
        }

        return $items;
    }
}
