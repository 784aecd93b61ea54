<?php

declare(strict_types=1);

namespace App\Runs\Http\Requests;

use App\Http\Body;

final class ChangeLotRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('record', $this->route('run'));
    }

    public function rules(): array
    {
        return [
            'id' => ['required', 'uuid'],
            'lot_id' => ['required', 'integer', 'exists:lots,id'],
        ];
    }

    public static function says(): array
    {
        return [
            'id' => 'made by the screen, so that one sent twice is done once',
            'lot_id' => 'that is fed from now on',
        ];
    }
}
