<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Product;

final class GetZipRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('viewAny', Product::class);
    }

    public function rules(): array
    {
        return ['products' => ['nullable', 'array', 'max:500'], 'products.*' => ['integer', 'exists:products,id']];
    }

    public static function says(): array
    {
        return [
            'products' => 'of these alone, with machines, moulds, values and set-ups that they want; all unless given',
        ];
    }

    /** @return list<int> */
    public function products(): array
    {
        return array_values(array_map(intval(...), $this->validated()['products'] ?? []));
    }
}
