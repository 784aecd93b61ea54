<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Data\Record;

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
        public bool $needsHeat = false,
        /** the plan's number that says how long it takes here, before what is usual */
        public ?string $planMin = null,
        /** the measured figure that the time in it is, s: from the tap before to its own */
        public ?string $clock = null,
    ) {
    }

    public static function of(Record $of): self
    {
        $confirm = [];
        foreach ($of->each('confirm') as $item) {
            $confirm[$item->text('id')] = $item->text('text');
        }

        return new self(
            $of->text('id'),
            Phase::from($of->text('phase', Phase::SetUp->value)),
            $of->text('stage'),
            $of->text('place'),
            (int) $of->number('people'),
            $of->text('title'),
            $of->text('why'),
            $of->texts('entries'),
            $confirm,
            $of->mayText('starts'),
            $of->mayText('timer'),
            $of->number('typical_min', 1.0),
            array_map(Reminder::of(...), $of->each('reminders')),
            array_map(Gate::of(...), $of->each('gate')),
            PassAnyway::from($of->text('pass_anyway', PassAnyway::No->value)),
            Hold::from($of->text('hands', Hold::Free->value)),
            $of->is('needs_heat'),
            $of->mayText('plan_min'),
            $of->mayText('clock'),
        );
    }
}
