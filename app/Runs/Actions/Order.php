<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use App\Material\Models\Charge;
use App\Material\Models\Lot;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Job;

/** What somebody wants to make, and with what: planned live, and planned again when the run is started. */
final readonly class Order
{
    /**
     * @param  array<string, Machine>  $machines  by role
     * @param  array<string, mixed>  $settings  that differ from the recipe's
     * @param  array<string, string>  $choices
     * @param  list<Lot>  $lots  the one that is drawn from, then what else is in the weighed charge
     * @param  array<string, mixed>  $answers
     */
    public function __construct(
        public Definition $process,
        public Product $product,
        public array $machines,
        public ?Recipe $recipe = null,
        public array $settings = [],
        public array $choices = [],
        public array $lots = [],
        public ?Charge $charge = null,
        public array $answers = [],
        public string $scale = 'production',
        public ?string $polymer = null,
    ) {
    }

    public function polymer(): string
    {
        return $this->polymer ?? $this->product->polymer;
    }

    public function main(): ?Machine
    {
        return $this->machines[$this->process->main()->id] ?? null;
    }

    /** The mould that hangs as long as a run lasts; null where none does. */
    public function mould(): ?Machine
    {
        foreach ($this->process->roles() as $role) {
            if ($role->throughout && isset($this->machines[$role->id])) {
                return $this->machines[$role->id];
            }
        }

        return null;
    }

    /** @throws InputError where the lot that is drawn from is of another polymer */
    public function mustMatchItsLot(): void
    {
        $lot = $this->lots[0] ?? null;
        if ($lot !== null && $lot->polymer !== $this->polymer()) {
            throw new InputError(
                'lot_id',
                "lot {$lot->code} is {$lot->polymer}, and this is set up for {$this->polymer()}",
            );
        }
    }

    /** @return array<string, array<string, mixed>> name, kind and facts by role; of a mould also what it has made */
    private function facts(): array
    {
        $facts = [];
        foreach ($this->machines as $id => $machine) {
            $made = $this->process->role($id)?->throughout === true ? ['made' => $machine->made()] : [];
            $facts[$id] = ['name' => $machine->name, 'kind' => $machine->kind] + $made + $machine->facts;
        }

        return $facts;
    }

    /** What the core's process is asked: a recipe counts only for the product's own polymer. */
    public function job(): Job
    {
        $kept = $this->polymer() === $this->product->polymer ? $this->recipe : null;
        $schools = array_flip($this->process->schools());

        return new Job(
            polymer: $this->polymer(),
            product: $this->product->dimensions,
            machines: $this->facts(),
            recipe: $kept === null ? null : array_diff_key($kept->settings, $schools),
            recipeName: $kept === null ? '' : "recipe, version {$kept->version}",
            settings: $this->settings,
            choices: $this->choices,
            kept: array_intersect_key($this->recipe->settings ?? [], $schools),
        );
    }
}
