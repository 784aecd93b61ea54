<?php

declare(strict_types=1);

namespace App\Instruments\Http\Requests;

use App\Http\Body;
use App\Instruments\Models\Pairing;

final class AskToPairRequest extends Body
{
    public function rules(): array
    {
        return [
            'code' => ['required', 'string', 'regex:/\A'.Pairing::CODE.'\z/'],
            'secret' => ['required', 'string', 'min:16', 'max:128'],
            'name' => ['required', 'string', 'max:80'],
            'channels' => ['list', 'max:60'],
            'channels.*' => ['string', 'regex:/\A[a-z][a-z0-9_]{0,59}\z/', 'distinct'],
        ];
    }

    public static function says(): array
    {
        return [
            'code' => 'as it stands on the instrument: eight of A to Z without I and O, 2 to 9',
            'secret' => 'the instrument\'s own, the same each time it asks',
            'channels' => 'what it will send, as it names them',
        ];
    }
}
