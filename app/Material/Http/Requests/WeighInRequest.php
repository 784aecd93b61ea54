<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;

final class WeighInRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('charge'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'component' => ['required', 'integer', 'between:0,30'],
            'lot_id' => ['required', 'integer', 'exists:lots,id'],
            'mass_g' => ['required', 'numeric', 'between:-10000000,10000000', 'not_in:0'],
            'how' => ['required', 'in:scale,hand,simulated'],
            'reason' => ['nullable', 'string', 'max:500'],
        ];
    }
}
