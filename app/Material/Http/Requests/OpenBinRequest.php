<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;

final class OpenBinRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('sorting'));
    }

    public function rules(): array
    {
        return [
            'place' => ['required', 'integer', 'between:1,30'],
            'polymer' => ['nullable', 'string', 'max:20'],
            'colour' => ['required', 'string', 'max:60'],
            'swatch' => ['required', 'regex:/^#[0-9a-fA-F]{6}$/'],
            'location' => ['nullable', 'string', 'max:60'],
        ];
    }
}
