<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

/** One thing to do, as the procedure's data says it. */
final readonly class Step
{
    /**
     * @param  list<string>  $entries  that are logged in it
     * @param  array<string, string>  $confirm  text by item
     * @param  list<Reminder>  $reminders
     * @param  list<Gate>  $gates
     */
    public function __construct(
        public string $id,
        public Phase $phase,
        public string $stage,
        public string $place,
        public int $people,
        public string $title,
        public string $why,
        public array $entries,
        public array $confirm,
        public ?string $starts,
        public ?string $timer,
        public float $typicalMin,
        public array $reminders,
        public array $gates,
        public PassAnyway $passAnyway,
        public Hold $hands,
    ) {
    }

    /** @param  array<string, mixed>  $of */
    public static function of(array $of): self
    {
        return new self(
            (string) $of['id'],
            Phase::from((string) ($of['phase'] ?? 'setup')),
            (string) $of['stage'],
            (string) $of['place'],
            (int) $of['people'],
            (string) $of['title'],
            (string) $of['why'],
            array_values($of['entries'] ?? []),
            array_column($of['confirm'] ?? [], 'text', 'id'),
            isset($of['starts']) ? (string) $of['starts'] : null,
            isset($of['timer']) ? (string) $of['timer'] : null,
            (float) ($of['typical_min'] ?? 1),
            array_map(Reminder::of(...), array_values($of['reminders'] ?? [])),
            array_map(Gate::of(...), array_values($of['gate'] ?? [])),
            PassAnyway::from((string) ($of['pass_anyway'] ?? 'no')), Hold::from((string) ($of['hands'] ?? 'free')),
        );
    }
}
