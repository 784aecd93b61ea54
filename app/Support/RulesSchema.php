<?php

declare(strict_types=1);

namespace App\Support;

use BackedEnum;
use Illuminate\Validation\Rules\Enum;
use Illuminate\Validation\Rules\In;
use ReflectionProperty;

/** JSON Schema of what validation rules let through: the contract and the check are one description. */
final readonly class RulesSchema
{
    /**
     * @param  array<string, mixed>  $rules  by dotted name
     * @param  array<string, string>  $says  by dotted name
     * @return array<string, mixed>
     */
    public static function of(array $rules, array $says = []): array
    {
        $properties = [];
        $required = [];
        foreach ($rules as $name => $its) {
            if (str_contains($name, '.')) {
                continue;
            }
            $its = is_string($its) ? explode('|', $its) : (array) $its;
            $field = self::field($its, self::under($rules, $name), self::under($says, $name));
            if (isset($says[$name])) {
                $field['description'] = $says[$name];
            }
            // Of what may be anything the contract says nothing: an object without a word.
            $properties[$name] = $field === [] ? (object) [] : $field;
            if (in_array('required', $its, true) || in_array('present', $its, true)) {
                $required[] = $name;
            }
        }

        return array_filter([
            'type' => 'object',
            'required' => $required,
            'properties' => $properties === [] ? (object) [] : $properties,
        ], static fn (mixed $v): bool => $v !== []);
    }

    /**
     * @param  array<array-key, mixed>  $rules
     * @param  array<string, mixed>  $under  rules of what it holds
     * @param  array<string, string>  $says
     * @return array<string, mixed>
     */
    private static function field(array $rules, array $under, array $says): array
    {
        $names = array_map(self::name(...), $rules);
        $schema = match (true) {
            in_array('list', $names, true) => ['type' => 'array', 'items' => self::each($under, $says)],
            in_array('array', $names, true) => self::object($under, $says),
            in_array('boolean', $names, true) => ['type' => 'boolean'],
            in_array('integer', $names, true) => ['type' => 'integer'],
            in_array('numeric', $names, true) => ['type' => 'number'],
            in_array('uuid', $names, true) => ['type' => 'string', 'format' => 'uuid'],
            self::isText($rules, $names) => ['type' => 'string'],
            default => [],
        };
        $choices = self::choices($rules);
        if ($choices !== []) {
            $schema['enum'] = $choices;
        }
        foreach ($rules as $rule) {
            if (is_string($rule)) {
                $schema += self::limit($rule, $schema['type'] ?? '');
            }
        }
        if (in_array('nullable', $names, true) && isset($schema['type'])) {
            $schema['type'] = [$schema['type'], 'null'];
            if ($choices !== []) {
                $schema['enum'][] = null;
            }
        }

        return $schema;
    }

    /**
     * @param  array<string, mixed>  $under
     * @param  array<string, string>  $says
     * @return array<string, mixed> an object of known names, or of any with values alike
     */
    private static function object(array $under, array $says): array
    {
        $known = array_filter($under, static fn (string $n): bool => ! str_starts_with($n, '*'), ARRAY_FILTER_USE_KEY);
        if ($known !== []) {
            return self::of($known, $says);
        }

        return ['type' => 'object', 'additionalProperties' => self::each($under, $says) ?: (object) []];
    }

    /**
     * @param  array<string, mixed>  $under
     * @param  array<string, string>  $says
     * @return array<string, mixed>
     */
    private static function each(array $under, array $says): array
    {
        $inside = self::under($under, '*');

        return $inside === [] || isset($inside['*'])
            ? self::field((array) ($under['*'] ?? []), $inside, self::under($says, '*'))
            : self::of($inside, self::under($says, '*'));
    }

    /**
     * @template T
     *
     * @param  array<string, T>  $rules
     * @return array<string, T> what stands under a name, without it
     */
    private static function under(array $rules, string $name): array
    {
        $under = [];
        foreach ($rules as $path => $rule) {
            if (str_starts_with($path, "{$name}.")) {
                $under[substr($path, strlen($name) + 1)] = $rule;
            }
        }

        return $under;
    }

    private static function name(mixed $rule): string
    {
        return is_string($rule) ? explode(':', $rule, 2)[0] : '';
    }

    /**
     * @param  array<array-key, mixed>  $rules
     * @param  array<array-key, string>  $names
     */
    private static function isText(array $rules, array $names): bool
    {
        if (array_intersect(['string', 'regex', 'in'], $names) !== []) {
            return true;
        }

        return array_filter($rules, static fn (mixed $r): bool => $r instanceof In || $r instanceof Enum) !== [];
    }

    /**
     * @param  array<array-key, mixed>  $rules
     * @return list<string>
     */
    private static function choices(array $rules): array
    {
        foreach ($rules as $rule) {
            if ($rule instanceof Enum) {
                /** @var class-string<BackedEnum> $type */
                $type = (new ReflectionProperty($rule, 'type'))->getValue($rule);
                /** @var list<BackedEnum> $except */
                $except = (new ReflectionProperty($rule, 'except'))->getValue($rule);

                return array_values(array_map(
                    static fn (BackedEnum $c): string => (string) $c->value,
                    array_filter($type::cases(), static fn (BackedEnum $c): bool => ! in_array($c, $except, true)),
                ));
            }
            $text = $rule instanceof In ? (string) $rule : $rule;
            if (is_string($text) && str_starts_with($text, 'in:')) {
                return array_values(array_map(strval(...), str_getcsv(substr($text, 3), ',', '"', '\\')));
            }
        }

        return [];
    }

    /** @return array<string, int|float|string> */
    private static function limit(string $rule, mixed $type): array
    {
        [$name, $value] = explode(':', $rule, 2) + [1 => ''];
        $size = match ($type) {
            'string' => ['minLength', 'maxLength'],
            'array' => ['minItems', 'maxItems'],
            'object' => ['minProperties', 'maxProperties'],
            default => ['minimum', 'maximum'],
        };
        $number = static fn (string $v): int|float => $v == (int) $v ? (int) $v : (float) $v;

        return match ($name) {
            'min' => [$size[0] => $number($value)],
            'max' => [$size[1] => $number($value)],
            'between' => array_combine($size, array_map($number, explode(',', $value))),
            'gt' => is_numeric($value) ? ['exclusiveMinimum' => $number($value)] : [],
            'regex' => self::pattern($value),
            default => [],
        };
    }

    /** @return array<string, string> */
    private static function pattern(string $regex): array
    {
        $end = (int) strrpos($regex, '/');

        return str_starts_with($regex, '/') ? ['pattern' => substr($regex, 1, $end - 1)] : [];
    }
}
