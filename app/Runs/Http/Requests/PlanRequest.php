<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\Material\Models\Charge;
use App\Material\Models\Lot;
use App\Runs\Actions\Order;
use App\Runs\Models\Run;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;

/** What is to be made: shared by the live answer and by the start of the run, so that both mean the same. */
class PlanRequest extends Body
{
    public function authorize(): bool
    {
        return $this->user()?->can('create', Run::class) ?? false;
    }

    public function rules(): array
    {
        return [
            'product_id' => ['required', 'integer', 'exists:products,id'],
            'machines' => ['required', 'array', 'max:6'],
            'machines.*' => ['nullable', 'integer', 'exists:machines,id'],
            'lot_id' => ['nullable', 'integer', 'exists:lots,id'],
            'charge_id' => ['nullable', 'uuid', 'exists:charges,id'],
            'polymer' => ['nullable', 'string', 'max:20'],
            'settings' => ['nullable', 'array', 'max:40'],
            'settings.*' => ['nullable', 'numeric'],
            'choices' => ['nullable', 'array', 'max:10'],
            'choices.*' => ['string', 'max:40'],
            'answers' => ['nullable', 'array', 'max:10'],
            'answers.*' => ['boolean'],
            'scale' => ['nullable', 'in:small_trial,full_trial,production'],
        ];
    }

    public static function says(): array
    {
        return [
            'machines' => 'by the places of the process, as GET processes names them',
            'confirmed_by' => 'who has looked at protection and air: the one who starts',
        ];
    }

    /** @throws InputError */
    public function order(Processes $processes): Order
    {
        $product = Product::query()->findOrFail($this->integer('product_id'));
        $process = $processes->get($product->process);
        $machines = $this->machines($process);
        $main = $machines[$process->main()->id] ?? null;
        $charge = $this->filled('charge_id')
            ? Charge::query()->whereKey($this->string('charge_id')->value())->firstOrFail()
            : null;

        return new Order(
            $process,
            $product,
            $machines,
            $main === null ? null : Recipe::newest($product, $main),
            (array) $this->input('settings', []),
            array_filter((array) $this->input('choices', []), is_string(...)),
            $this->lots($charge),
            $charge,
            (array) $this->input('answers', []),
            $this->string('scale', 'production')->value() ?: 'production',
            $this->input('polymer'),
        );
    }

    /**
     * @return array<string, Machine> by role
     *
     * @throws InputError
     */
    private function machines(Definition $process): array
    {
        $wanted = array_filter((array) $this->input('machines'), static fn (mixed $id): bool => $id !== null);
        $known = Machine::query()->whereKey(array_values($wanted))->whereNull('retired_at')->get()->keyBy('id');
        $machines = [];
        foreach ($wanted as $role => $id) {
            if ($process->role((string) $role) === null) {
                throw new InputError("machines.{$role}", 'is no place of this process');
            }
            $machines[(string) $role] = $known->get((int) $id)
                ?? throw new InputError("machines.{$role}", 'is retired: choose another');
        }

        return $machines;
    }

    /**
     * The lot that is drawn from, and every other that the weighed charge was taken from: the gate asks about each.
     *
     * @return list<Lot>
     */
    private function lots(?Charge $charge): array
    {
        if (! $this->filled('lot_id')) {
            return [];
        }
        $lots = Lot::query()->withHeld()->with(['source', 'reservedFor']);
        $first = (clone $lots)->findOrFail($this->integer('lot_id'));
        $others = $charge === null ? [] : $lots->whereKey($charge->weighings()->pluck('lot_id')->unique())
            ->where('id', '!=', $first->id)
            ->get()
            ->all();

        return [$first, ...array_values($others)];
    }
}
