<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Lot;
use App\Runs\Models\ProcedureEntry;
use App\Shop\Models\Machine;
use App\Shop\Models\PolymerOverride;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;

final class ImportCsvRequest extends Body
{
    public function authorize(): bool
    {
        return match ($this->route('kind')) {
            'machines' => $this->may('create', Machine::class),
            'products', 'finishing' => $this->may('create', Product::class),
            'setups' => $this->may('create', Recipe::class),
            'values' => $this->may('create', PolymerOverride::class),
            'procedures' => $this->may('create', ProcedureEntry::class),
            default => $this->may('create', Lot::class),
        };
    }

    public function rules(): array
    {
        return ['id' => ['required', 'uuid'], 'preview' => ['nullable', 'boolean']];
    }
}
