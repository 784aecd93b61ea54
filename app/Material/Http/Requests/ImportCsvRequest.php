<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Lot;

final class ImportCsvRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Lot::class);
    }

    public function rules(): array
    {
        return ['id' => ['required', 'uuid'], 'preview' => ['nullable', 'boolean']];
    }
}
