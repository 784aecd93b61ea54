<?php

declare(strict_types=1);

namespace App\Instruments\Http\Requests;

use App\Http\Body;
use App\Instruments\Models\Pairing;
use App\People\Models\User;

final class FindPairingRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('manage', User::class);
    }

    public function rules(): array
    {
        return ['code' => ['required', 'string', 'regex:/\A'.Pairing::CODE.'\z/']];
    }

    public static function says(): array
    {
        return ['code' => 'as it was scanned, without what stands before it'];
    }
}
