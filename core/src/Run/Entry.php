<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;

/**
 * What can be logged: its fields, whether it may be logged more than once, or after its step, and what it costs a timer
 * that runs: a look takes a sheet out of the heat. One may send its piece back to a step that it has been through.
 */
final readonly class Entry
{
    /**
     * @param  list<Field>  $fields
     * @param  string|null  $delays  a timer, by id
     * @param  string|null  $delay  the plan's minutes by which it does
     */
    public function __construct(
        public string $id,
        public string $title,
        public ?string $effect,
        public bool $once,
        public bool $late,
        public array $fields,
        public ?string $delays = null,
        public ?string $delay = null,
        public ?Again $again = null,
    ) {
    }

    public static function of(Record $of): self
    {
        return new self(
            $of->text('id'),
            $of->text('title'),
            $of->mayText('effect'),
            $of->is('once'),
            $of->is('late'),
            array_map(Field::of(...), $of->each('fields')),
            $of->mayText('delays.timer'),
            $of->mayText('delays.minutes'),
            Again::of($of),
        );
    }

    /** Whether one touch says all of it: nothing of it has to be filled in. */
    public function isOneTouch(): bool
    {
        return $this->refuses([]) === null;
    }

    /** @param  array<string, mixed>  $values */
    public function refuses(array $values): ?InputError
    {
        $known = array_map(static fn (Field $field): string => $field->id, $this->fields);
        foreach (array_keys($values) as $given) {
            if (! in_array($given, $known, true)) {
                return new InputError("values.{$given}", "is not a field of \"{$this->title}\"");
            }
        }
        foreach ($this->fields as $field) {
            $error = $field->refuses($values);
            if ($error !== null) {
                return new InputError("values.{$field->id}", $error);
            }
        }

        return null;
    }
}
