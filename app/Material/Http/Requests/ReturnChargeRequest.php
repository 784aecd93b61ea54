<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;

final class ReturnChargeRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('charge'));
    }

    public function rules(): array
    {
        return ['id' => ['required', 'uuid'], 'reason' => ['required', 'string', 'max:500']];
    }
}
