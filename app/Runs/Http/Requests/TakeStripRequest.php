<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;

final class TakeStripRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('record', $this->route('run'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'strip' => ['required', 'integer', 'between:1,1000000'],
            'piece' => ['nullable', 'integer', 'between:1,1000000'],
        ];
    }

    public static function says(): array
    {
        return [
            'id' => 'made by the screen, so that one sent twice is taken once',
            'strip' => 'its number on the rack',
            'piece' => 'of this run, that is under way',
        ];
    }
}
