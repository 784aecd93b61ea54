<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;

final class CloseSortingRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('sorting'));
    }

    public function rules(): array
    {
        return ['id' => ['required', 'uuid'], 'reason' => ['nullable', 'string', 'max:500']];
    }
}
