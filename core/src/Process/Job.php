<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Data\Record;

/** What is to be made and with what, as the shop knows it: a process reads from it what its plan asks. */
final readonly class Job
{
    /**
     * @param  array<string, mixed>  $product  its dimensions and what else is known of it
     * @param  array<string, array<string, mixed>>  $machines  name, kind and facts, by role
     * @param  array<string, mixed>|null  $recipe  settings kept with product and machine, of this polymer
     * @param  array<string, mixed>  $settings  moved by a person
     * @param  array<string, string>  $choices  methods chosen here
     * @param  array<string, mixed>  $kept  methods that the recipe kept
     */
    public function __construct(
        public string $polymer,
        public array $product,
        public array $machines,
        public ?array $recipe = null,
        public string $recipeName = '',
        public array $settings = [],
        public array $choices = [],
        public array $kept = [],
    ) {
    }

    /** What was chosen here, else what the recipe kept, else nothing. */
    public function choice(string $school): ?string
    {
        $choice = $this->choices[$school] ?? $this->kept[$school] ?? null;

        return is_string($choice) ? $choice : null;
    }

    /** Name, kind and facts of the machine in a role. */
    public function machine(string $role): ?Record
    {
        return isset($this->machines[$role]) ? new Record($this->machines[$role], "machines.{$role}") : null;
    }
}
