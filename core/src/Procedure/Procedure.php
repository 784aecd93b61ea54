<?php

declare(strict_types=1);

namespace Dithermic\Core\Procedure;

use Dithermic\Core\Calculator\InputError;
use RuntimeException;

/**
 * A process as data: steps with gates, timers, reminders and things to log. A run keeps the version it was run with.
 * The shape is data/procedures/schema.json. Nothing here knows a process by name.
 */
final readonly class Procedure
{
    /** @param  array<string, mixed>  $body */
    public function __construct(public array $body)
    {
    }

    public static function shipped(string $id): self
    {
        $file = __DIR__."/../../data/procedures/{$id}.json";
        $body = is_file($file) ? json_decode((string) file_get_contents($file), true) : null;

        return is_array($body) ? new self($body) : throw new RuntimeException("no procedure {$id}");
    }

    public function id(): string
    {
        return (string) $this->body['id'];
    }

    public function version(): int
    {
        return (int) $this->body['version'];
    }

    /** @return list<array<string, mixed>> */
    public function steps(): array
    {
        return $this->body['steps'];
    }

    /** @return array<string, mixed>|null */
    public function step(string $id): ?array
    {
        return self::find($this->body['steps'], $id);
    }

    /** @return list<array<string, mixed>> steps in which an entry is logged */
    public function stepsThatLog(string $entry): array
    {
        return array_values(array_filter($this->steps(), static fn (array $step): bool => in_array($entry, $step['entries'] ?? [], true)));
    }

    /** @return array<string, mixed>|null */
    public function entry(string $id): ?array
    {
        return self::find($this->body['entries'], $id);
    }

    /** @return array<string, mixed>|null */
    public function timer(string $id): ?array
    {
        return self::find($this->body['timers'], $id);
    }

    /**
     * The plan of a run: every number that the procedure names, finite; an interval may be null.
     *
     * @param  array<string, mixed>  $plan
     *
     * @throws InputError
     */
    public function checkPlan(array $plan): void
    {
        foreach ($this->body['plan'] as $name) {
            $value = $plan[$name] ?? null;
            if ($value === null && array_key_exists($name, $plan) && str_ends_with($name, '_every_min')) {
                continue;
            }
            if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value)) {
                throw new InputError("plan.{$name}", 'the plan needs this number');
            }
        }
    }

    /**
     * The values of a log entry, checked against its fields; null when they are fine.
     *
     * @param  array<string, mixed>  $values
     */
    public function refusesValues(string $entry, array $values): ?InputError
    {
        $definition = $this->entry($entry);
        if ($definition === null) {
            return new InputError('entry', "this procedure has no entry \"{$entry}\"");
        }
        $known = array_column($definition['fields'], 'id');
        foreach (array_keys($values) as $given) {
            if (! in_array($given, $known, true)) {
                return new InputError("values.{$given}", "is not a field of \"{$definition['title']}\"");
            }
        }
        foreach ($definition['fields'] as $field) {
            $error = self::refusesValue($field, $values);
            if ($error !== null) {
                return new InputError("values.{$field['id']}", $error);
            }
        }

        return null;
    }

    /**
     * @param  array<string, mixed>  $field
     * @param  array<string, mixed>  $values
     */
    private static function refusesValue(array $field, array $values): ?string
    {
        $value = $values[$field['id']] ?? null;
        $required = ($field['required'] ?? false) === true;
        foreach ($field['required_when'] ?? [] as $other => $is) {
            $required = $required || ($values[$other] ?? null) === $is;
        }
        if ($value === null || $value === '') {
            return $required ? "is required: {$field['label']}" : null;
        }
        $kind = $field['kind'] ?? 'number';

        return match (true) {
            $kind === 'choice' => in_array($value, $field['choices'], true) ? null : 'must be one of: '.implode(', ', $field['choices']),
            $kind === 'text' => is_string($value) && mb_strlen($value) <= 500 ? null : 'must be text of at most 500 characters',
            $kind === 'thickness_grid' => is_array($value) && count($value) >= 3 && count($value) <= 400 ? null : 'needs at least three thicknesses',
            (! is_int($value) && ! is_float($value)) || ! is_finite((float) $value) => 'must be a number',
            isset($field['above']) && $value <= $field['above'] => "must be above {$field['above']}",
            abs((float) $value) > 1e7 => 'is out of range',
            default => null,
        };
    }

    /**
     * @param  list<array<string, mixed>>  $list
     * @return array<string, mixed>|null
     */
    private static function find(array $list, string $id): ?array
    {
        foreach ($list as $item) {
            if ($item['id'] === $id) {
                return $item;
            }
        }

        return null;
    }
}
