<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Material\Models\Lot;
use App\Runs\Models\ProcedureEntry;
use App\Shop\Models\Machine;
use App\Shop\Models\PolymerOverride;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;

/** Who may enter each of what it can hold. */
final class ImportZipRequest extends Body
{
    public function authorize(): bool
    {
        $all = [
            Machine::class, Product::class, Recipe::class, PolymerOverride::class, ProcedureEntry::class, Lot::class,
        ];
        foreach ($all as $what) {
            if (! $this->may('create', $what)) {
                return false;
            }
        }

        return true;
    }

    public function rules(): array
    {
        return ['id' => ['required', 'uuid'], 'preview' => ['nullable', 'boolean']];
    }
}
