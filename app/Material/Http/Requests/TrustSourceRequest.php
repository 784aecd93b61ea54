<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use Dithermic\Core\Stock\Trust;
use Illuminate\Validation\Rule;

final class TrustSourceRequest extends Body
{
    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'kind' => ['required', Rule::enum(Trust::class)],
            'worked_at_c' => ['nullable', 'numeric', 'between:20,450'],
            'run_id' => ['nullable', 'uuid', 'exists:runs,id'],
            'picture_id' => ['nullable', 'uuid', 'exists:pictures,id'],
            'note' => ['nullable', 'string', 'max:1000'],
        ];
    }
}
