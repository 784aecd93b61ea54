<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Machine;

final class CareDoneRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('raiseCare', Machine::class);
    }

    public function rules(): array
    {
        return ['id' => ['required', 'uuid'], 'note' => ['nullable', 'string', 'max:500']];
    }
}
