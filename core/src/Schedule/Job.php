<?php

declare(strict_types=1);

namespace Dithermic\Core\Schedule;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

/** So many pieces of a product, each through the same tasks. */
final readonly class Job implements Checked
{
    /**
     * @param  list<Task>  $tasks
     * @param  list<mixed>  $forbidden
     */
    public function __construct(
        public string $id,
        #[Field('of each piece', of: Task::class, atLeast: 1, atMost: 60)] public array $tasks,
        public string $product = '',
        #[Field('not before; null: from now', 'min')] public ?float $release = null,
        #[Field('null where nobody waits for it', 'min')] public ?float $due = null,
        #[Field('of a minute that it is late', '', min: 0, max: 1e6)] public float $weight = 1.0,
        #[Field('', '', min: 1, max: 500)] public int $pieces = 1,
        #[Field('its first task begins then and at no other time', 'min')] public ?float $pinned_start = null,
        #[Field('[[from, to]] in which nothing of it is done', 'min', atMost: 100)] public array $forbidden = [],
    ) {
    }

    public function check(): void
    {
        Span::calendar('forbidden', $this->forbidden);
        $known = [];
        foreach ($this->tasks as $i => $task) {
            $before = array_diff($task->after, array_keys($known));
            if ($before !== []) {
                throw new InputError(
                    "tasks.{$i}.after",
                    sprintf('names "%s", which is no task of this job that stands before it', reset($before)),
                );
            }
            if (isset($known[$task->id])) {
                throw new InputError("tasks.{$i}.id", "is used twice: {$task->id}");
            }
            $known[$task->id] = true;
        }
    }
}
