<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Product;

class AddProductRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Product::class);
    }

    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'process' => ['required', 'string', 'max:30'],
            'polymer' => ['required', 'string', 'max:20'],
            'dimensions' => ['present', 'array', 'max:60'],
            'note' => ['nullable', 'string', 'max:500'],
            'mould_id' => ['nullable', 'integer', 'exists:machines,id'],
        ];
    }

    public static function says(): array
    {
        return [
            'dimensions' => 'by name, as GET processes lists the settings',
            'mould_id' => 'the mould that it is usually made in',
        ];
    }

    /** @return array{name: string, process: string, polymer: string, dimensions: array<array-key, mixed>, note: string, mould_id: int|null} */
    public function product(): array
    {
        $given = $this->validated();

        return [
            'name' => trim($given['name']),
            'process' => $given['process'],
            'polymer' => $given['polymer'],
            'dimensions' => $given['dimensions'],
            'note' => $given['note'] ?? '',
            'mould_id' => isset($given['mould_id']) ? (int) $given['mould_id'] : null,
        ];
    }
}
