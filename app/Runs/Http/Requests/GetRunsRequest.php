<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\Runs\Models\Run;

final class GetRunsRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('viewAny', Run::class);
    }

    public function rules(): array
    {
        return [
            'after' => [
                'nullable',
                'string',
                'regex:/^\d{1,10}(\.\d{1,6})?_[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/',
            ],
            'product_id' => ['nullable', 'integer', 'between:1,9000000000000000'],
            'verdict' => ['nullable', 'in:good,scrap,open'],
            'number' => ['nullable', 'integer', 'between:1,2000000000'],
            'process' => ['nullable', 'string', 'max:30'],
        ];
    }
}
