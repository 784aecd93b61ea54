<?php

declare(strict_types=1);

namespace Dithermic\Core\Data;

use RuntimeException;

/**
 * One object of a data file, read by dotted name as what it must be. What the file does not say is null, an empty list
 * or an empty record; what it says wrongly is an error that names the place.
 */
final readonly class Record
{
    /** @param  array<array-key, mixed>  $of */
    public function __construct(public array $of, private string $at = '')
    {
    }

    /** @throws RuntimeException when there is no such file, or no object in it */
    public static function file(string $path): self
    {
        $data = is_readable($path) ? json_decode((string) file_get_contents($path), true) : null;

        return is_array($data) ? new self($data) : throw new RuntimeException(basename($path).' is not readable');
    }

    public function has(string $name): bool
    {
        return $this->value($name) !== null;
    }

    /** @throws RuntimeException where nothing is said and nothing stands for it */
    public function text(string $name, ?string $else = null): string
    {
        return $this->mayText($name) ?? $else ?? throw $this->wrong($name, 'is missing');
    }

    public function mayText(string $name): ?string
    {
        $value = $this->value($name);

        return $value === null || is_string($value) ? $value : throw $this->wrong($name, 'must be text');
    }

    /** @throws RuntimeException where nothing is said and nothing stands for it */
    public function number(string $name, ?float $else = null): float
    {
        return $this->mayNumber($name) ?? $else ?? throw $this->wrong($name, 'is missing');
    }

    public function mayNumber(string $name): ?float
    {
        $value = $this->value($name);

        return match (true) {
            $value === null => null,
            is_int($value), is_float($value) => (float) $value,
            default => throw $this->wrong($name, 'must be a number'),
        };
    }

    /** Least, usual and most; null where there is none, or one number in its place. */
    public function range(string $name): ?Range
    {
        if (! is_array($this->value($name))) {
            return null;
        }
        $at = $this->at($name);

        return new Range($at->number('min'), $at->number('typical'), $at->number('max'));
    }

    /** Whether it is said to be so; what is not said is not so. */
    public function is(string $name): bool
    {
        return $this->value($name) === true;
    }

    /** An object in it; empty where there is none. */
    public function at(string $name): self
    {
        return new self($this->array($name), $this->path($name));
    }

    /** @return list<string> */
    public function texts(string $name): array
    {
        return array_values($this->wordsBy($name));
    }

    /** @return array<string, string> */
    public function wordsBy(string $name): array
    {
        $words = [];
        foreach ($this->array($name) as $key => $value) {
            $words[(string) $key] = is_string($value) ? $value : throw $this->wrong("{$name}.{$key}", 'must be text');
        }

        return $words;
    }

    /** @return array<string, float> all that it holds, where that is numbers */
    public function numbers(): array
    {
        $numbers = [];
        foreach (array_keys($this->of) as $key) {
            $numbers[(string) $key] = $this->number((string) $key);
        }

        return $numbers;
    }

    /** @return list<self> */
    public function each(string $name): array
    {
        return array_values($this->eachBy($name));
    }

    /** @return array<string, self> */
    public function eachBy(string $name): array
    {
        $records = [];
        foreach ($this->array($name) as $key => $value) {
            $records[(string) $key] = is_array($value)
                ? new self($value, $this->path("{$name}.{$key}"))
                : throw $this->wrong("{$name}.{$key}", 'must be an object');
        }

        return $records;
    }

    /** @return array<array-key, mixed> */
    public function array(string $name): array
    {
        $value = $this->value($name);

        return $value === null || is_array($value)
            ? $value ?? []
            : throw $this->wrong($name, 'must be a list or an object');
    }

    private function value(string $name): mixed
    {
        $value = $this->of;
        foreach (explode('.', $name) as $key) {
            if (! is_array($value)) {
                return null;
            }
            $value = $value[$key] ?? null;
        }

        return $value;
    }

    private function path(string $name): string
    {
        return $this->at === '' ? $name : "{$this->at}.{$name}";
    }

    private function wrong(string $name, string $says): RuntimeException
    {
        return new RuntimeException("{$this->path($name)} {$says}");
    }
}
