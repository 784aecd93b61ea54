<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;

final class SortPiecesRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('sorting'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'undoes' => ['nullable', 'uuid'],
            'bin_id' => ['required_without:undoes', 'integer'],
            'pieces' => ['nullable', 'integer', 'between:0,100000'],
            'mass_g' => ['nullable', 'numeric', 'between:0,100000000'],
        ];
    }
}
