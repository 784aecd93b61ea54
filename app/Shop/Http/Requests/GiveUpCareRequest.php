<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;
use App\Shop\Models\Machine;

final class GiveUpCareRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', Machine::class);
    }

    public function rules(): array
    {
        return [];
    }
}
