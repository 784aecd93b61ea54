<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;

final class FinishRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('moveGoods', $this->route('product'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'count' => ['required', 'integer', 'between:-100000,100000'],
            'reason' => ['nullable', 'string', 'max:500'],
        ];
    }

    public static function says(): array
    {
        return [
            'id' => 'made by the screen, so that one sent twice is kept once',
            'count' => 'that were finished; fewer than none takes some back, with a reason',
        ];
    }
}
