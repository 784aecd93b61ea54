<?php

declare(strict_types=1);

namespace Dithermic\Core\Calculator;

use BackedEnum;
use ReflectionParameter;

/** JSON Schema (2020-12) of an input or result class, read off the same declaration that the Reader uses. */
final class Schema
{
    /**
     * @param  class-string  $class
     * @return array<string, mixed>
     */
    public static function of(string $class): array
    {
        $properties = [];
        $required = [];
        self::collect($class, $properties, $required);
        $schema = ['type' => 'object', 'properties' => $properties === [] ? (object) [] : $properties];
        if ($required !== []) {
            $schema['required'] = $required;
        }

        return $schema;
    }

    /**
     * @param  class-string  $class
     * @param  array<string, array<string, mixed>>  $properties
     * @param  list<string>  $required
     */
    private static function collect(string $class, array &$properties, array &$required): void
    {
        $isResult = is_subclass_of($class, Result::class);
        foreach (Reader::plan($class) as [$parameter, $field, $flat]) {
            if ($flat) {
                $inner = Reader::typeOf($parameter);
                /** @var class-string $inner */
                $shared = [];
                self::collect($inner, $shared, $required);
                // A form may fold them away together.
                foreach ($shared as $name => $property) {
                    $properties[$name] = $property + ['x-part' => $parameter->name];
                }

                continue;
            }
            $properties[$parameter->name] = self::property($parameter, $field, $isResult);
            if ($isResult || (! $parameter->isDefaultValueAvailable() && ! $parameter->allowsNull())) {
                $required[] = $parameter->name;
            }
        }
        if ($isResult) {
            $properties['explanation'] = ['type' => 'string', 'description' => 'the answer in a sentence'];
            $properties['warnings'] = [
                'type' => 'array',
                'items' => ['type' => 'string'],
                'description' => 'where the model stops being valid',
            ];
            array_push($required, 'explanation', 'warnings');
        }
    }

    /** @return array<string, mixed> */
    private static function property(ReflectionParameter $parameter, Field $field, bool $isResult): array
    {
        $type = Reader::typeOf($parameter);
        $schema = self::type($type, $field);
        if ($parameter->allowsNull() && $type !== 'mixed') {
            $schema = isset($schema['type']) && is_string($schema['type']) && ! isset($schema['properties'])
                ? ['type' => [$schema['type'], 'null']] + $schema
                : ['anyOf' => [$schema, ['type' => 'null']]];
            if (isset($schema['enum']) && is_array($schema['enum'])) {
                $schema['enum'][] = null;
            }
        }
        $about = trim($field->about.($field->unit === '' ? '' : " ({$field->unit})"));
        if ($about !== '') {
            $schema['description'] = $about;
        }
        if ($field->unit !== '') {
            $schema['x-unit'] = $field->unit;
        }
        if (! $isResult && $parameter->isDefaultValueAvailable()) {
            $default = $parameter->getDefaultValue();
            if ($default !== null && ! is_object($default)) {
                $schema['default'] = $default;
            } elseif ($default instanceof BackedEnum) {
                $schema['default'] = $default->value;
            }
        }

        return $schema;
    }

    /** @return array<string, mixed> */
    private static function type(string $type, Field $field): array
    {
        $range = array_filter([
            'minimum' => $field->min, 'maximum' => $field->max,
            'exclusiveMinimum' => $field->above, 'exclusiveMaximum' => $field->below,
        ], static fn (?float $bound): bool => $bound !== null);

        return match (true) {
            $type === 'float' => ['type' => 'number'] + $range,
            $type === 'int' => ['type' => 'integer'] + $range,
            $type === 'bool' => ['type' => 'boolean'],
            $type === 'string' => ['type' => 'string'],
            $type === 'array' && $field->of === 'counts' => [
                'type' => 'object',
                'additionalProperties' => ['type' => 'integer', 'minimum' => 1],
            ],
            $type === 'array' && $field->of === 'named' => ['type' => 'object', 'additionalProperties' => true],
            ($type === 'array' || $type === 'object') && $field->of === 'shares' => [
                'type' => 'object',
                'additionalProperties' => ['type' => 'number'],
            ],
            $type === 'array' => ['type' => 'array', 'items' => match (true) {
                $field->of === 'number' => ['type' => 'number'] + $range,
                $field->of === 'string' => ['type' => 'string'],
                $field->of !== null && class_exists($field->of) => self::of($field->of),
                default => (object) [],
            }] + ($field->atLeast > 0 ? ['minItems' => $field->atLeast] : []),
            is_subclass_of($type, BackedEnum::class) => [
                'type' => 'string',
                'enum' => array_map(static fn (BackedEnum $case): int|string => $case->value, $type::cases()),
            ],
            class_exists($type) => self::of($type),
            default => [],
        };
    }
}
