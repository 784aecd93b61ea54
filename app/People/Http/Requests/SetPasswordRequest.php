<?php

declare(strict_types=1);

namespace App\People\Http\Requests;

use App\Http\Body;
use App\People\Support\People;

final class SetPasswordRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->user());
    }

    public function rules(): array
    {
        return [
            'password' => ['required', 'string', 'max:200'],
            'new_password' => People::passwordRules(...People::namesOf($this->user())),
        ];
    }
}
