<?php

declare(strict_types=1);

namespace App\People\Http\Requests;

use App\Http\Body;

final class SetPinRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->user());
    }

    public function rules(): array
    {
        return [
            'password' => ['required', 'string', 'max:200'],
            'pin' => ['required', 'regex:/^\d{4,8}$/'],
        ];
    }
}
