<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Drying;
use Illuminate\Validation\Rule;

final class LoadDryerRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Drying::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required_unless:preview,true', 'uuid'],
            'preview' => ['nullable', 'boolean'],
            'machine_id' => [
                'required_unless:preview,true',
                'integer',
                Rule::exists('machines', 'id')->where('kind', 'dryer'),
            ],
            'lot_id' => ['required', 'integer', 'exists:lots,id'],
            'air_c' => ['nullable', 'numeric', 'between:0,300'],
            'wanted_at' => ['nullable', 'numeric', 'between:0,99999999999'],
        ];
    }
}
