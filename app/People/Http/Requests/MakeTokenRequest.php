<?php

declare(strict_types=1);

namespace App\People\Http\Requests;

use App\Http\Body;
use App\People\Http\AccessController;
use App\People\Models\User;

final class MakeTokenRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('manage', User::class);
    }

    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'scopes' => ['required', 'list', 'min:1', 'max:5'],
            'scopes.*' => ['string', 'in:readings,signals,calc,shop,calendar', 'distinct'],
            'machine_id' => ['nullable', 'integer', 'exists:machines,id'],
            'days' => ['nullable', 'integer', 'between:1,'.AccessController::LONGEST_DAYS],
        ];
    }

    public static function says(): array
    {
        return [
            'machine_id' => 'whose readings or foot switch; required with the scopes readings and signals',
        ];
    }
}
