<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Sorting;

final class StartSortingRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Sorting::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'source_id' => ['required', 'integer', 'exists:sources,id'],
            'about' => ['required', 'string', 'max:120'],
            'in_g' => ['required', 'numeric', 'gt:0', 'max:100000000'],
            'scale_g' => ['required', 'numeric', 'gt:0', 'max:1000'],
        ];
    }
}
