<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;

final class EmptyDryerRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('drying'));
    }

    public function rules(): array
    {
        return [
            'hopper' => ['required', 'in:open,closed'],
            'rh_pct' => ['nullable', 'numeric', 'gt:0', 'max:100'],
        ];
    }
}
