<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Product;

final class GetProductChargeRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('viewAny', Product::class);
    }

    public function rules(): array
    {
        return ['machine_id' => ['nullable', 'integer', 'exists:machines,id']];
    }
}
