<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;
use App\Material\Models\Source;

final class AddSourceRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('create', Source::class);
    }

    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80', 'unique:sources,name'],
            'note' => ['nullable', 'string', 'max:500'],
        ];
    }
}
