<?php

declare(strict_types=1);

namespace App\Causes\Http\Requests;

use App\Http\Body;

final class ShowPartRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('record', $this->route('run'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'place' => ['required', 'string', 'max:40'],
            'piece' => ['nullable', 'integer', 'between:1,1000000'],
            'picture_id' => ['required', 'uuid', 'exists:pictures,id'],
        ];
    }

    public static function says(): array
    {
        return [
            'id' => 'made by the screen, so that one sent twice is kept once',
            'place' => 'on the part, as the shop calls it: "gate side", "corner by the clip"',
            'piece' => 'its number; none where the run is one pass',
        ];
    }
}
