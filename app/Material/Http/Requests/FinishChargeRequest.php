<?php

declare(strict_types=1);

namespace App\Material\Http\Requests;

use App\Http\Body;

final class FinishChargeRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('charge'));
    }

    public function rules(): array
    {
        return ['id' => ['required', 'uuid']];
    }
}
