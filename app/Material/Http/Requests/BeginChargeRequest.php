<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Charge;

final class BeginChargeRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Charge::class);
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'polymer' => ['required', 'string', 'max:20'],
            'product_id' => ['nullable', 'integer', 'exists:products,id'],
            'mix_id' => ['nullable', 'integer', 'exists:mixes,id'],
            'total_g' => ['required', 'numeric', 'gt:0', 'max:10000000'],
            'scale_g' => ['required', 'numeric', 'gt:0', 'max:1000'],
            'tolerance_pct' => ['nullable', 'numeric', 'between:0.05,20'],
            'about' => ['nullable', 'string', 'max:120'],
        ];
    }
}
