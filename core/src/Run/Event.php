<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** One thing that happened in a run. Events are only ever added; a correction is another event that names the first. */
final readonly class Event
{
    /**
     * @param  string  $key  the sender's own key, unique within the run
     * @param  float  $at  when it happened, seconds since 1970 UTC
     * @param  array<string, mixed>  $data
     */
    public function __construct(
        public string $key,
        public EventType $type,
        public float $at,
        public string $by,
        public array $data = [],
        public bool $byLead = false,
        public EventSource $source = EventSource::Tap,
    ) {
    }

    public function text(string $name): ?string
    {
        $value = $this->data[$name] ?? null;

        return is_string($value) && $value !== '' ? $value : null;
    }

    public function number(string $name): ?float
    {
        $value = $this->data[$name] ?? null;

        return is_int($value) || is_float($value) ? (float) $value : null;
    }

    /** @return array<string, mixed> what was logged, by field */
    public function values(): array
    {
        $values = [];
        foreach (is_array($this->data['values'] ?? null) ? $this->data['values'] : [] as $field => $value) {
            $values[(string) $field] = $value;
        }

        return $values;
    }

    /** The piece that it is about; null for the run itself. */
    public function piece(): ?int
    {
        $value = $this->data['piece'] ?? null;

        return is_int($value) ? $value : null;
    }
}
