<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Data\Record;

/** One value of an entry. */
final readonly class Field
{
    private const LONGEST = 500;

    private const LARGEST = 1e7;

    /**
     * @param  list<string>  $choices
     * @param  array<array-key, mixed>  $requiredWhen  value of another field
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
        public ?float $atMost = null,
    ) {
    }

    public static function of(Record $of): self
    {
        return new self(
            $of->text('id'),
            $of->text('label'),
            $of->text('kind', 'number'),
            $of->is('required'),
            $of->mayNumber('above'),
            $of->texts('choices'),
            $of->array('required_when'),
            $of->mayText('dimension'),
            $of->mayNumber('at_most'),
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
            $this->kind === 'charge' => is_string($value) && preg_match('/^[0-9a-f-]{36}$/', $value) === 1
                ? null
                : 'must be the id of a weighed charge',
            $this->kind === 'thickness_grid' => is_array($value) && count($value) >= 3 && count($value) <= 400
                ? null
                : 'needs at least three thicknesses',
            (! is_int($value) && ! is_float($value)) || ! is_finite((float) $value) => 'must be a number',
            $this->above !== null && $value <= $this->above => "must be above {$this->above}",
            $this->atMost !== null && $value > $this->atMost => "must be at most {$this->atMost}",
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
