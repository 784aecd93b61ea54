<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Product;

final class CarryRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('viewAny', Product::class);
    }

    public function rules(): array
    {
        return [
            'machine_id' => ['required_without:mould_id', 'prohibits:mould_id', 'integer', 'exists:machines,id'],
            'mould_id' => ['required_without:machine_id', 'integer', 'exists:machines,id'],
        ];
    }

    public static function says(): array
    {
        return ['machine_id' => 'another machine', 'mould_id' => 'a printed or resin mould, on the same machine'];
    }
}
