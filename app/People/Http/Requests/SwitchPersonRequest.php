<?php

declare(strict_types=1);

namespace App\People\Http\Requests;

use App\Http\Body;

final class SwitchPersonRequest extends Body
{
    public function rules(): array
    {
        return [
            'person_id' => ['required', 'integer'],
            'pin' => ['required', 'string', 'max:12'],
        ];
    }
}
