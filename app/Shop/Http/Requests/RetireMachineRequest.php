<?php

declare(strict_types=1);

namespace App\Shop\Http\Requests;

use App\Http\Body;

final class RetireMachineRequest extends Body
{
    public function authorize(): bool
    {
        return $this->may('update', $this->route('machine'));
    }

    public function rules(): array
    {
        return ['retired' => ['required', 'boolean']];
    }
}
