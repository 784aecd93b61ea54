<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Recipe;

final class KeepRecipeRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Recipe::class);
    }

    public function rules(): array
    {
        return [
            'machine_id' => ['required', 'integer', 'exists:machines,id'],
            'after_version' => ['required', 'integer', 'min:0'],
            'settings' => ['required', 'array', 'max:30'],
            'note' => ['nullable', 'string', 'max:500'],
        ];
    }
}
