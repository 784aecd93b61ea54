<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Actions\PlanPress;
use App\Data\PressPlanData;
use App\Models\Charge;
use App\Models\Lot;
use App\Models\Machine;
use App\Models\Product;
use App\Models\Recipe;
use App\Models\Run;
use Illuminate\Foundation\Http\FormRequest;

/** What a press job is to be: shared by the live answer and by the start of the run, so that both mean the same. */
class PressPlanRequest extends FormRequest
{
    public function authorize(): bool
    {
        return $this->user()?->can('create', Run::class) ?? false;
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'product_id' => ['required', 'integer', 'exists:products,id'],
            'machine_id' => ['required', 'integer', 'exists:machines,id'],
            'cold_machine_id' => ['nullable', 'integer', 'exists:machines,id'],
            'lot_id' => ['nullable', 'integer', 'exists:lots,id'],
            'charge_id' => ['nullable', 'uuid', 'exists:charges,id'],
            'polymer' => ['nullable', 'string', 'max:20'],
            'settings' => ['nullable', 'array', 'max:40'],
            'choices' => ['nullable', 'array', 'max:10'],
            'choices.*' => ['string', 'max:40'],
            'answers' => ['nullable', 'array', 'max:10'],
            'answers.*' => ['boolean'],
            'scale' => ['nullable', 'in:small_trial,full_trial,production'],
        ];
    }

    public function product(): Product
    {
        return Product::query()->findOrFail($this->integer('product_id'));
    }

    public function machine(): Machine
    {
        return Machine::query()->where('kind', Machine::HOT_PRESS)->findOrFail($this->integer('machine_id'));
    }

    public function cold(): ?Machine
    {
        return $this->filled('cold_machine_id')
            ? Machine::query()->where('kind', Machine::COLD_PRESS)->findOrFail($this->integer('cold_machine_id'))
            : null;
    }

    public function lot(): ?Lot
    {
        return $this->filled('lot_id')
            ? Lot::query()->withHeld()->with(['source', 'reservedFor'])->findOrFail($this->integer('lot_id'))
            : null;
    }

    public function charge(): ?Charge
    {
        return $this->filled('charge_id')
            ? Charge::query()->whereKey($this->string('charge_id')->value())->firstOrFail()
            : null;
    }

    /**
     * Every lot that the weighed charge was taken from: the gate asks about each.
     *
     * @return list<Lot>
     */
    private function chargeLots(): array
    {
        $charge = $this->charge();

        return $charge === null
            ? []
            : array_values(
                Lot::query()->withHeld()
                    ->with(['source', 'reservedFor'])
                    ->whereKey($charge->weighings()->pluck('lot_id')->unique())
                    ->where('id', '!=', $this->integer('lot_id'))
                    ->get()
                    ->all(),
            );
    }

    public function recipe(): ?Recipe
    {
        return Recipe::query()->where([
            'product_id' => $this->integer('product_id'),
            'machine_id' => $this->integer('machine_id'),
        ])->orderByDesc('version')->first();
    }

    public function scale(): string
    {
        return $this->string('scale', 'production')->value() ?: 'production';
    }

    public function answer(PlanPress $plan): PressPlanData
    {
        return $plan(
            $this->product(),
            $this->machine(),
            $this->cold(),
            $this->recipe(),
            (array) $this->input('settings', []),
            (array) $this->input('choices', []),
            $this->lot(),
            (array) $this->input('answers', []),
            $this->scale(),
            $this->input('polymer'),
            $this->chargeLots(),
            $this->charge(),
        );
    }
}
