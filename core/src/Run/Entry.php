<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;

/** What can be logged: its fields, and whether it may be logged more than once, or after its step. */
final readonly class Entry
{
    /** @param  list<Field>  $fields */
    public function __construct(
        public string $id,
        public string $title,
        public ?string $effect,
        public bool $once,
        public bool $late,
        public array $fields,
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
        );
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
