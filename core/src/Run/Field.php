<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** One value of an entry. */
final readonly class Field
{
    private const LONGEST = 500;

    private const LARGEST = 1e7;

    /**
     * @param  list<string>  $choices
     * @param  array<string, mixed>  $requiredWhen  value of another field
     */
    public function __construct(
        public string $id,
        public string $label,
        public string $kind,
        public bool $required,
        public ?float $above,
        public array $choices,
        public array $requiredWhen,
        public ?string $dimension = null,
    ) {
    }

    /** @param  array<string, mixed>  $of */
    public static function of(array $of): self
    {
        return new self(
            (string) $of['id'],
            (string) $of['label'],
            (string) ($of['kind'] ?? 'number'),
            ($of['required'] ?? false) === true,
            isset($of['above']) ? (float) $of['above'] : null,
            array_values($of['choices'] ?? []),
            $of['required_when'] ?? [],
            isset($of['dimension']) ? (string) $of['dimension'] : null,
        );
    }

    /**
     * Why its value is not taken; null when it is.
     *
     * @param  array<string, mixed>  $values  of the whole entry
     */
    public function refuses(array $values): ?string
    {
        $value = $values[$this->id] ?? null;
        if ($value === null || $value === '') {
            return $this->isRequired($values) ? "is required: {$this->label}" : null;
        }

        return match (true) {
            $this->kind === 'choice' => in_array($value, $this->choices, true)
                ? null
                : 'must be one of: '.implode(', ', $this->choices),
            $this->kind === 'text' => is_string($value) && mb_strlen($value) <= self::LONGEST
                ? null
                : 'must be text of at most '.self::LONGEST.' characters',
            $this->kind === 'thickness_grid' => is_array($value) && count($value) >= 3 && count($value) <= 400
                ? null
                : 'needs at least three thicknesses',
            (! is_int($value) && ! is_float($value)) || ! is_finite((float) $value) => 'must be a number',
            $this->above !== null && $value <= $this->above => "must be above {$this->above}",
            abs((float) $value) > self::LARGEST => 'is out of range',
            default => null,
        };
    }

    /** @param  array<string, mixed>  $values */
    private function isRequired(array $values): bool
    {
        foreach ($this->requiredWhen as $other => $is) {
            if (($values[$other] ?? null) === $is) {
                return true;
            }
        }

        return $this->required;
    }
}
