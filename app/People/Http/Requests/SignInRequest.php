<?php

declare(strict_types=1);

namespace App\People\Http\Requests;

use App\Http\Body;

final class SignInRequest extends Body
{
    public function rules(): array
    {
        return [
            'login' => ['required', 'string', 'max:100'],
            'password' => ['required', 'string', 'max:200'],
        ];
    }
}
