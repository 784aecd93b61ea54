<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;

final class KeepLeftoverRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('record', $this->route('run'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'leftover' => ['required', 'string', 'max:40'],
            'mass_g' => self::MASS_G,
            'location' => ['nullable', 'string', 'max:60'],
        ];
    }

    public static function says(): array
    {
        return [
            'id' => 'made by the screen, so that one sent twice is kept once',
            'leftover' => 'which of what the run left: GET runs/{run}/leftovers',
        ];
    }
}
