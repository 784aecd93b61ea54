<?php

declare(strict_types=1);

namespace App\Instruments\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Machine;

final class PostReadingsRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('addReadings', Machine::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['nullable', 'uuid'],
            // Rows are checked one by one by their reader, which names the row.
            'readings' => ['required', 'list', 'min:1', 'max:5000'],
        ];
    }
}
