<?php

declare(strict_types=1);

namespace App\People\Http\Requests;

use App\Http\Body;

final class SetPreferencesRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->user());
    }

    public function rules(): array
    {
        return [
            'units' => ['required', 'in:metric,us'],
            'theme' => ['required', 'in:auto,light,dark'],
            'glove' => ['required', 'boolean'],
        ];
    }
}
